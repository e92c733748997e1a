<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Agreement over action classes beyond chance.
 *
 * Quantity and unit: 1 is full agreement, 0 what chance gives; no unit.
 * Domain: a square matrix of counts, rows reference and columns test; null when chance alone agrees fully.
 * Variant: linear weights 1 - |i-j|/(k-1), quadratic weights 1 - (i-j)²/(k-1)².
 * Source: Cohen 1960, Educ Psychol Meas 20:37-46; weighted: Cohen 1968, Psychol Bull 70:213-220.
 */
final readonly class Kappa
{
    /** @param list<list<int>> $matrix */
    private function __construct(
        public ?float $unweighted,
        public ?float $linear,
        public ?float $quadratic,
        public array $matrix,
    ) {}

    /** @param list<list<int>> $matrix */
    public static function of(array $matrix): self
    {
        $far = count($matrix) - 1;

        return new self(
            self::weighted($matrix, static fn (int $i, int $j): float => $i === $j ? 1.0 : 0.0),
            self::weighted($matrix, static fn (int $i, int $j): float => 1 - abs($i - $j) / $far),
            self::weighted($matrix, static fn (int $i, int $j): float => 1 - ($i - $j) ** 2 / $far ** 2),
            $matrix,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'unweighted' => $this->unweighted,
            'linear' => $this->linear,
            'quadratic' => $this->quadratic,
            'matrix' => $this->matrix,
        ];
    }

    /**
     * @param list<list<int>> $matrix
     * @param callable(int, int): float $weight
     */
    private static function weighted(array $matrix, callable $weight): ?float
    {
        $total = array_sum(array_map('array_sum', $matrix));
        if ($total === 0) {
            return null;
        }
        $rows = array_map('array_sum', $matrix);
        $columns = array_map(static fn (int $j): int => array_sum(array_column($matrix, $j)), array_keys($matrix));
        [$seen, $chance] = [0.0, 0.0];
        foreach ($matrix as $i => $row) {
            foreach ($row as $j => $count) {
                $seen += $weight($i, $j) * $count;
                $chance += $weight($i, $j) * $rows[$i] * $columns[$j];
            }
        }
        $seen /= $total;
        $chance /= $total * $total;

        return 1 - $chance < 1e-12 ? null : ($seen - $chance) / (1 - $chance);
    }
}
