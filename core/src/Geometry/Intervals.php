<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * Sets of stretches on a line, as ascending, disjoint pairs of positions.
 *
 * Quantity and unit: positions along the line in metres.
 */
final class Intervals
{
    /**
     * @param list<array{float, float}> $stretches in any order, overlapping or not
     * @return list<array{float, float}>
     */
    public static function union(array $stretches): array
    {
        if (count($stretches) < 2) {
            return $stretches === [] || $stretches[0][1] > $stretches[0][0] ? $stretches : [];
        }
        usort($stretches, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $union = [];
        [$start, $end] = [INF, -INF];
        foreach ($stretches as [$from, $to]) {
            if ($to <= $from) {
                continue;
            }
            if ($from > $end) {
                if ($end > $start) {
                    $union[] = [$start, $end];
                }
                $start = $from;
            }
            $end = max($end, $to);
        }

        return $end > $start ? [...$union, [$start, $end]] : $union;
    }

    /**
     * @param list<array{float, float}> $stretches ascending and disjoint
     * @param list<array{float, float}> $taken ascending and disjoint
     * @return list<array{float, float}>
     *
     * @pure
     */
    public static function minus(array $stretches, array $taken): array
    {
        if ($taken === []) {
            return $stretches;
        }
        $left = [];
        foreach ($stretches as [$from, $to]) {
            foreach ($taken as [$start, $end]) {
                if ($end <= $from || $start >= $to) {
                    continue;
                }
                if ($start > $from) {
                    $left[] = [$from, $start];
                }
                $from = max($from, $end);
            }
            if ($to > $from) {
                $left[] = [$from, $to];
            }
        }

        return $left;
    }

    /**
     * @param list<array{float, float}> $a ascending and disjoint
     * @param list<array{float, float}> $b ascending and disjoint
     * @return list<array{float, float}>
     *
     * @pure
     */
    public static function both(array $a, array $b): array
    {
        $common = [];
        foreach ($a as [$from, $to]) {
            foreach ($b as [$start, $end]) {
                $low = max($from, $start);
                $high = min($to, $end);
                if ($high > $low) {
                    $common[] = [$low, $high];
                }
            }
        }

        return $common;
    }

    /**
     * @param list<array{float, float}> $stretches
     *
     * @pure
     */
    public static function length(array $stretches): float
    {
        $length = 0.0;
        foreach ($stretches as [$from, $to]) {
            $length += $to - $from;
        }

        return $length;
    }

    /**
     * Position at a distance counted along the stretches only.
     *
     * @param non-empty-list<array{float, float}> $stretches
     *
     * @pure
     */
    public static function at(array $stretches, float $distance): float
    {
        foreach ($stretches as [$from, $to]) {
            if ($distance <= $to - $from) {
                return $from + $distance;
            }
            $distance -= $to - $from;
        }

        return $stretches[count($stretches) - 1][1];
    }
}
