<?php

declare(strict_types=1);

namespace App\Archive;

/** A column of what a team has. */
final readonly class TeamColumn
{
    /**
     * @param string $pointsAt the table whose rows it numbers; empty where it numbers none, or those of several
     * @param list<string> $within the keys that lead to numbers within its JSON
     */
    public function __construct(
        public string $name,
        public string $type,
        public bool $nullable,
        public string $pointsAt,
        public bool $isNumber,
        public array $within,
    ) {}

    /** A value with every number of a row moved by so much. */
    public function moved(string|int|float|null $value, int $by): string|int|float|null
    {
        return match (true) {
            $by === 0 => $value,
            $this->isNumber && is_int($value) => $value + $by,
            $this->within !== [] && is_string($value) => self::movedWithin($value, $this->within, $by),
            default => $value,
        };
    }

    /** @return array<string, mixed> */
    public function schema(): array
    {
        $kind = match (true) {
            str_contains($this->type, 'int') => 'integer',
            in_array($this->type, ['double', 'float', 'real'], true) => 'number',
            default => 'string',
        };
        $kinds = [$kind, ...$kind === 'string' ? ['object'] : [], ...$this->nullable ? ['null'] : []];

        return [
            'type' => count($kinds) === 1 ? $kinds[0] : $kinds,
            ...$this->pointsAt === '' || $this->name === 'id' ? [] : ['description' => "the id of a row of {$this->pointsAt}"],
        ];
    }

    /** @param list<string> $keys */
    private static function movedWithin(string $json, array $keys, int $by): string
    {
        $content = json_decode($json, true, 512, JSON_THROW_ON_ERROR);

        return json_encode(
            self::each($content, $keys, $by),
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | (str_contains($json, '\\u') ? 0 : JSON_UNESCAPED_UNICODE) |
                (str_contains($json, '\\/') ? 0 : JSON_UNESCAPED_SLASHES),
        );
    }

    /** @param list<string> $keys */
    private static function each(mixed $content, array $keys, int $by): mixed
    {
        if ($keys === []) {
            return is_int($content) ? $content + $by : $content;
        }
        $key = array_shift($keys);
        foreach (is_array($content) ? ($key === '*' ? array_keys($content) : [$key]) : [] as $one) {
            if (is_array($content) && array_key_exists($one, $content)) {
                $content[$one] = self::each($content[$one], $keys, $by);
            }
        }

        return $content;
    }
}
