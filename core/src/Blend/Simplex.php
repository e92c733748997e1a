<?php

declare(strict_types=1);

namespace HonestCore\Blend;

/**
 * A small linear programme with several aims, each kept before the next is looked at.
 *
 * Quantity and unit: minimise c·x over x >= 0 with A x = b, b >= 0, where the last columns of A hold one unit column
 * a row to begin with.
 * Variant: dense tableau, Bland's rule, so that it never runs in circles. After an aim is reached, columns that would
 * worsen it are
 *   shut: what remains is just the set of all solutions that reach it, and nothing of its value is spent on the next.
 * Source: Dantzig 1963; Bland 1977, Math Oper Res 2:103-107; preemptive goals as in any handbook.
 */
final class Simplex
{
    private const TINY = 1e-10;

    /** @var array<int, true> columns that may not enter any more */
    private array $shut = [];

    /**
     * @param array<int, array<int, float>> $rows A
     * @param array<int, float> $right b
     * @param array<int, int> $basis the column that stands for each row
     */
    public function __construct(private array $rows, private array $right, private array $basis) {}

    /**
     * Makes the cost as small as it can be among what was reached before.
     *
     * @param list<float> $cost
     * @return float what was reached
     */
    public function minimise(array $cost): float
    {
        $reduced = $cost;
        foreach ($this->basis as $i => $column) {
            $price = $cost[$column];
            foreach ($price === 0.0 ? [] : $this->rows[$i] as $j => $value) {
                $reduced[$j] -= $price * $value;
            }
        }
        while (($enter = $this->entering($reduced)) !== null) {
            $leave = $this->leaving($enter);
            if ($leave === null) {
                break;
            }
            $this->pivot($leave, $enter);
            $price = $reduced[$enter];
            foreach ($this->rows[$leave] as $j => $value) {
                $reduced[$j] -= $price * $value;
            }
            $reduced[$enter] = 0.0;
        }
        foreach ($reduced as $j => $value) {
            if ($value > self::TINY && ! in_array($j, $this->basis, true)) {
                $this->shut[$j] = true;
            }
        }
        $reached = 0.0;
        foreach ($this->basis as $i => $column) {
            $reached += $cost[$column] * $this->right[$i];
        }

        return $reached;
    }

    /** @return list<float> the solution by column */
    public function solution(): array
    {
        $solution = array_fill(0, count($this->rows[0] ?? []), 0.0);
        foreach ($this->basis as $i => $column) {
            $solution[$column] = max(0.0, $this->right[$i]);
        }

        return array_values($solution);
    }

    /** May a column still be other than 0 in a solution that reaches all aims? */
    public function isOpen(int $column): bool
    {
        return ! isset($this->shut[$column]);
    }

    /** Is the solution the only one that reaches all aims: may no column outside of the basis still take part? */
    public function isTheOnlyOne(): bool
    {
        return count($this->rows[0] ?? []) - count($this->shut) === count($this->basis);
    }

    /** @param array<int, float> $reduced */
    private function entering(array $reduced): ?int
    {
        foreach ($reduced as $j => $value) {
            if ($value < -self::TINY && ! isset($this->shut[$j])) {
                return $j;
            }
        }

        return null;
    }

    private function leaving(int $enter): ?int
    {
        [$best, $row] = [INF, null];
        foreach ($this->rows as $i => $values) {
            if ($values[$enter] <= self::TINY) {
                continue;
            }
            $ratio = $this->right[$i] / $values[$enter];
            if (
                $ratio < $best - 1e-12 ||
                ($ratio <= $best + 1e-12 && $row !== null && $this->basis[$i] < $this->basis[$row])
            ) {
                [$best, $row] = [$ratio, $i];
            }
        }

        return $row;
    }

    private function pivot(int $row, int $column): void
    {
        $by = $this->rows[$row][$column];
        $this->rows[$row] = array_map(static fn (float $value): float => $value / $by, $this->rows[$row]);
        $this->right[$row] /= $by;
        foreach ($this->rows as $i => $values) {
            $times = $values[$column];
            if ($i === $row || $times === 0.0) {
                continue;
            }
            foreach ($this->rows[$row] as $j => $value) {
                $this->rows[$i][$j] -= $times * $value;
            }
            $this->rows[$i][$column] = 0.0;
            $this->right[$i] = max(0.0, $this->right[$i] - $times * $this->right[$row]);
        }
        $this->basis[$row] = $column;
    }
}
