<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * A school of composite sampling: how large an area, how many cores, how deep, in which walk, and why.
 *
 * Quantity and unit: acres, null where area does not matter; cores in a composite; depth layers.
 * Source: the table in data/schools.json, or a team's own row of the same shape.
 */
final readonly class School
{
    /**
     * @param array{int, int, int} $cores fewest, usual, most
     * @param non-empty-list<DepthLayer> $layers
     * @param list<string> $uses codes of the uses it is made for
     */
    private function __construct(
        public string $code,
        public string $name,
        public ?float $acres,
        public array $cores,
        public array $layers,
        public Pattern $pattern,
        public ?float $cellAcres,
        public array $uses,
        public string $why,
    ) {}

    /**
     * @return list<self>
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function all(): array
    {
        /** @var array<string, array<string, mixed>> $rows */
        $rows = RuleTable::named('schools')['schools'];

        return array_map(self::of(...), array_keys($rows), array_values($rows));
    }

    /**
     * @param array<string, mixed> $row
     *
     * @throws ValueOutOfRange
     */
    public static function of(string $code, array $row): self
    {
        $cores = self::cores((array) ($row['cores'] ?? []));
        $text = static fn (string $key): string => is_string($row[$key] ?? null) ? $row[$key] : '';
        $number = static fn (string $key): ?float => is_numeric($row[$key] ?? null) ? (float) $row[$key] : null;
        $layers = DepthStack::parse(
            array_map(
                static fn (mixed $l): string => is_string($l) ? $l : '',
                array_values((array) ($row['layers'] ?? [])),
            ),
        )->layers;
        $pattern =
            Pattern::tryFrom($text('pattern')) ?? throw new ValueOutOfRange('no_pattern', [
                'given' => $text('pattern'),
            ]);
        foreach (['acres', 'cell_acres'] as $key) {
            Bounds::between('school_acres', $number($key), 0, INF, ['key' => $key]);
        }

        return new self(
            $code,
            $text('name'),
            $number('acres'),
            $cores,
            $layers,
            $pattern,
            $number('cell_acres'),
            array_values(array_filter((array) ($row['for'] ?? []), is_string(...))),
            $text('why'),
        );
    }

    /** Composites that ground of an extent asks for. */
    public function composites(float $acres): int
    {
        $largest = $this->cellAcres ?? $this->acres;

        return $largest === null ? 1 : max(1, (int) ceil($acres / $largest - 1e-9));
    }

    public function isFor(string $use): bool
    {
        return in_array($use, $this->uses, true);
    }

    /**
     * @param array<mixed> $given
     * @return array{int, int, int} fewest, usual and most
     *
     * @throws ValueOutOfRange
     */
    private static function cores(array $given): array
    {
        $cores = array_map(static fn (mixed $n): int => is_int($n) ? $n : 0, array_values($given));
        $ascending = $cores;
        sort($ascending);
        if (count($cores) !== 3 || $cores !== $ascending || $cores[0] < 1 || $cores[2] > PlacementSpec::MOST_CORES) {
            throw new ValueOutOfRange('cores_school', ['most_cores' => PlacementSpec::MOST_CORES]);
        }

        return [$cores[0], $cores[1], $cores[2]];
    }
}
