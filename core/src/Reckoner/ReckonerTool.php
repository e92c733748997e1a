<?php

declare(strict_types=1);

namespace HonestCore\Reckoner;

use HonestCore\Agreement\Words;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * One computation of the command line as a page offers it: its fields, the arithmetic in its own figures, and its sources.
 *
 * Quantity and unit: those of the command, or the metric ones that MetricReckoning turns them into.
 * Source: data/reckoner.json.
 */
final readonly class ReckonerTool
{
    private const DECIMALS = 4;

    private function __construct(public string $code, private Fields $row) {}

    /** @return list<self> */
    public static function all(): array
    {
        return array_map(
            static fn (string|int $code): self => self::named((string) $code),
            array_keys((new Fields(RuleTable::named('reckoner')))->named('tools')),
        );
    }

    /** @throws ValueOutOfRange */
    public static function named(string $code): self
    {
        $tools = (new Fields(RuleTable::named('reckoner')))->named('tools');
        $row = $tools[$code] ?? null;

        return is_array($row)
            ? new self($code, new Fields($row))
            : throw new ValueOutOfRange('no_reckoner', ['code' => mb_substr($code, 0, 30), 'known' => implode(', ', array_keys($tools))]);
    }

    public function command(): string
    {
        return $this->row->text('command');
    }

    /** @return list<array{name: string, label: string, kind: string, default: string, example: string, choices: list<string>}> */
    public function fields(bool $isMetric = false): array
    {
        return array_map(static function (array $row) use ($isMetric): array {
            $metric = $isMetric && is_array($row['metric'] ?? null) ? $row['metric'] : [];
            $field = new Fields([...$row, ...$metric]);

            return [
                'name' => $field->text('name'),
                'label' => $field->text('label'),
                'kind' => $field->text('kind'),
                'default' => $field->text('default', ''),
                'example' => $field->text('example', ''),
                'choices' => $field->texts('choices'),
            ];
        }, $this->row->rows('fields'));
    }

    /** @return array<string, string> the fields that have a unit of one system, and the command's unit */
    public function metricFields(): array
    {
        $found = [];
        foreach ($this->row->rows('fields') as $row) {
            $by = (new Fields((new Fields($row))->rowOrNull('metric') ?? []))->textOrNull('by');
            if ($by !== null) {
                $found[(new Fields($row))->text('name')] = $by;
            }
        }

        return $found;
    }

    /** @return array<string, string> units of those answers whose names do not say them */
    public function metricFacts(): array
    {
        $facts = $this->row->rowOrNull('metric_facts') ?? [];
        $found = [];
        foreach (array_keys($facts) as $name) {
            $found[(string) $name] = (new Fields($facts))->text((string) $name);
        }

        return $found;
    }

    /** @return array<string, mixed> */
    public function toArray(bool $isMetric = false): array
    {
        return [
            'code' => $this->code,
            'title' => $this->row->text('title'),
            'command' => $this->command(),
            'asks' => $this->row->text('asks'),
            'fields' => $this->fields($isMetric),
            'sources' => $this->sources(),
        ];
    }

    /** @return list<string> what it rests on: a table by its own source, else the words that are given */
    public function sources(): array
    {
        return array_map(
            static fn (string $one): string => str_starts_with($one, '@')
                ? (new Fields(RuleTable::named(substr($one, 1))))->text('source')
                : $one,
            $this->row->texts('sources'),
        );
    }

    /**
     * The arithmetic with its figures; a line that asks for a figure which is not there is left out.
     *
     * @param array<string, string> $in what was asked, by field
     * @param array<string, mixed> $out what the command answered
     * @return list<string>
     */
    public function working(array $in, array $out, bool $isMetric = false): array
    {
        $defaults = array_column($this->fields($isMetric), 'default', 'name');
        $facts = ['in' => array_filter($in, static fn (string $one): bool => $one !== '') + array_filter($defaults), 'out' => $out];
        $lines = [];
        foreach ($this->row->rows('working') as $row) {
            $line = new Fields($row);
            $each = $line->has('each') ? ($out[$line->text('each')] ?? []) : [null];
            foreach (is_array($each) ? $each : [] as $one) {
                $lines[] = self::filled($line->text($isMetric && $line->has('metric') ? 'metric' : 'text'), $facts, $one);
            }
        }

        return array_values(array_filter($lines, is_string(...)));
    }

    /** @param array<string, mixed> $facts */
    private static function filled(string $text, array $facts, mixed $one): ?string
    {
        $missing = false;
        $filled = preg_replace_callback('/\{([\w.-]+)\}/', static function (array $m) use ($facts, $one, &$missing): string {
            $here = str_starts_with($m[1], '.') ? $one : $facts;
            foreach (explode('.', ltrim($m[1], '.')) as $key) {
                $here = is_array($here) ? ($here[$key] ?? null) : null;
            }
            $missing = $missing || $here === null || is_array($here);

            return match (true) {
                is_float($here), is_int($here) => self::figure((float) $here),
                is_bool($here) => $here ? 'yes' : 'no',
                default => is_string($here) ? $here : '',
            };
        }, $text);

        return $missing ? null : $filled;
    }

    private static function figure(float $value): string
    {
        return Words::trim($value, Words::decimals($value, self::DECIMALS));
    }
}
