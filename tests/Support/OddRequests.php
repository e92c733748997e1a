<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Requests in the shape of the API document with something odd in them: what a broken client, a tired person or somebody
 * who means harm would send. The same seed gives the same requests.
 */
final class OddRequests
{
    /** Numbers that JSON may hold and no field takes; written as they stand. */
    private const NUMBERS = [
        '1e400', '-1e400', '1e30', '9223372036854775807', '9223372036854775808', '-9223372036854775809', '0.1e-400', '-0',
        '2147483648', '1e15', '-1', '0',
    ];

    private Randomizer $random;

    public function __construct(public readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * @return array{string, string, string, string} method, path with the names of its ids, query, body
     */
    public function next(): array
    {
        $all = $this->operations();
        [$method, $path, $operation] = $all[$this->random->getInt(0, count($all) - 1)];
        $schema = $operation->requestBody->content->{'application/json'}->schema ?? null;
        $body = $schema === null ? '{}' : $this->text($schema, $this->random->getInt(1, 4), 0);

        return [$method, $path, $this->query($operation), $body];
    }

    /** @return list<array{string, string, object}> */
    private function operations(): array
    {
        static $all = [];
        if ($all === []) {
            foreach (get_object_vars(ApiDocument::get()->paths ?? (object) []) as $path => $methods) {
                foreach (get_object_vars($methods) as $method => $operation) {
                    if (in_array($method, ['get', 'post', 'put', 'delete'], true)) {
                        // What is written is asked for four times as often as what is read.
                        array_push($all, ...array_fill(0, $method === 'get' ? 1 : 4, [strtoupper($method), $path, $operation]));
                    }
                }
            }
        }

        return $all;
    }

    private function query(object $operation): string
    {
        $parts = [];
        foreach ($operation->parameters ?? [] as $parameter) {
            if (($parameter->in ?? '') === 'query') {
                $parts[] = match ($this->random->getInt(0, 5)) {
                    0 => "{$parameter->name}[]=1",
                    1 => "{$parameter->name}[a][b]=x",
                    2 => "{$parameter->name}=".rawurlencode($this->word()),
                    3 => "{$parameter->name}=".$this->one(self::NUMBERS),
                    4 => "{$parameter->name}=%FF%FE%00",
                    default => "{$parameter->name}=1",
                };
            }
        }

        return implode('&', $parts);
    }

    /** JSON of a schema, with about one in a few of its values odd. */
    private function text(mixed $given, int $oddness, int $depth): string
    {
        // What the document says nothing of is an empty list there.
        $schema = is_object($given) ? $given : (object) ['type' => 'string'];
        if (isset($schema->{'$ref'})) {
            $name = substr((string) $schema->{'$ref'}, strlen('#/components/schemas/'));
            $schema = ApiDocument::get()->components->schemas->{$name} ?? (object) [];
        }
        if ($depth > 6 || $this->random->getInt(0, 9) < $oddness) {
            return $this->odd();
        }
        if (isset($schema->enum)) {
            return (string) json_encode($schema->enum[$this->random->getInt(0, count($schema->enum) - 1)]);
        }
        $type = is_array($schema->type ?? null) ? $this->one($schema->type) : ($schema->type ?? 'object');

        return match ($type) {
            'object' => $this->fields($schema, $oddness, $depth),
            'array' => '['.implode(',', array_map(
                fn (): string => $this->text($schema->items ?? null, $oddness, $depth + 1),
                range(1, $this->random->getInt(1, 3)),
            )).']',
            'integer' => (string) $this->random->getInt(0, 12),
            'number' => (string) ($this->random->getInt(0, 1400) / 100),
            'boolean' => $this->one(['true', 'false']),
            'null' => 'null',
            default => match ($schema->format ?? '') {
                'date' => '"2026-0'.$this->random->getInt(1, 9).'-1'.$this->random->getInt(0, 9).'"',
                'date-time' => '"2026-07-0'.$this->random->getInt(1, 9).'T10:00:00Z"',
                default => (string) json_encode($this->word(), JSON_INVALID_UTF8_SUBSTITUTE),
            },
        };
    }

    private function fields(object $schema, int $oddness, int $depth): string
    {
        $parts = [];
        foreach (get_object_vars($schema->properties ?? (object) []) as $name => $field) {
            if ($this->random->getInt(0, 19) > 0) {
                $parts[] = json_encode((string) $name).':'.$this->text($field, $oddness, $depth + 1);
            }
        }

        return '{'.implode(',', $parts).'}';
    }

    private function odd(): string
    {
        return match ($this->random->getInt(0, 11)) {
            0 => '[]',
            1 => '{}',
            2 => 'null',
            3 => $this->one(self::NUMBERS),
            4 => '[[[[["deep"]]]]]',
            5 => '{"a":{"b":[1,"x",null]},"0":[]}',
            6 => 'true',
            7 => (string) json_encode(str_repeat('Ж', $this->random->getInt(1, 3) * 400)),
            8 => '"\u0000\u0007\u001b[2J"',
            9 => '"2026-02-31T99:99:99+99:99"',
            10 => '["a","A","ß","ss",1,"1"]',
            default => (string) json_encode($this->word()),
        };
    }

    private function word(): string
    {
        return (string) $this->one([
            '', ' ', '0', 'QH26-07L-X', '-1', '6,5', 'NaN', 'INF', '1e400', '../../etc/passwd', "'; DROP TABLE readings; --",
            '<script>alert(1)</script>', "\u{202E}back", '١٢٣', '0-6in', 'ph', 'lab', 'sort', '2026-13-45', '0000-00-00',
            '99999-01-01', "a\nb\tc", '%s%n%d', '{{7*7}}', 'a@b', '[]', 'undefined', 'Ada', str_repeat('x', 70_000),
        ]);
    }

    /**
     * @template T
     *
     * @param array<T> $from
     * @return T
     */
    private function one(array $from): mixed
    {
        return array_values($from)[$this->random->getInt(0, count($from) - 1)];
    }
}
