<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * A short walk through given places, open at both ends.
 *
 * Quantity and unit: metres.
 * Variant: nearest neighbour from the south-western place, then 2-opt until no exchange shortens the walk;
 *   above 2,000 places exchanges reach a limited number of places ahead.
 * Source: Croes 1958, Operations Research 6:791-812 (2-opt).
 */
final class WalkingOrder
{
    private const PASSES = 40;

    private const EXCHANGES_A_PASS = 2_000_000;

    /**
     * @param list<array{float, float}> $places
     * @return list<array{float, float}>
     */
    public static function of(array $places): array
    {
        $n = count($places);
        if ($n < 3) {
            return $places;
        }
        $walk = self::nearestNeighbour($places);
        $window = (int) max(30, self::EXCHANGES_A_PASS / $n);
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            if (! self::exchange($walk, $n, $window)) {
                break;
            }
        }

        return $walk;
    }

    /**
     * @param list<array{float, float}> $walk
     *
     * @pure
     */
    public static function length(array $walk): float
    {
        $length = 0.0;
        for ($i = 1, $n = count($walk); $i < $n; $i++) {
            $length += hypot($walk[$i][0] - $walk[$i - 1][0], $walk[$i][1] - $walk[$i - 1][1]);
        }

        return $length;
    }

    /**
     * @param non-empty-list<array{float, float}> $places
     * @return list<array{float, float}>
     */
    private static function nearestNeighbour(array $places): array
    {
        $here = 0;
        foreach ($places as $i => [$x, $y]) {
            if ($x + $y < $places[$here][0] + $places[$here][1]) {
                $here = $i;
            }
        }
        $walk = [$places[$here]];
        while (count($places) > 1) {
            [$x, $y] = $places[$here];
            unset($places[$here]);
            $nearest = INF;
            foreach ($places as $i => [$px, $py]) {
                $distance = ($px - $x) * ($px - $x) + ($py - $y) * ($py - $y);
                if ($distance < $nearest) {
                    [$nearest, $here] = [$distance, $i];
                }
            }
            $walk[] = $places[$here];
        }

        return $walk;
    }

    /**
     * One pass of reversing stretches that shorten the walk.
     *
     * @param list<array{float, float}> $walk
     */
    private static function exchange(array &$walk, int $n, int $window): bool
    {
        $better = false;
        for ($i = 0; $i < $n - 1; $i++) {
            for ($j = $i + 1, $last = min($n - 1, $i + $window); $j <= $last; $j++) {
                $now = ($i > 0 ? self::apart($walk[$i - 1], $walk[$i]) : 0.0)
                    + ($j < $n - 1 ? self::apart($walk[$j], $walk[$j + 1]) : 0.0);
                $then = ($i > 0 ? self::apart($walk[$i - 1], $walk[$j]) : 0.0)
                    + ($j < $n - 1 ? self::apart($walk[$i], $walk[$j + 1]) : 0.0);
                if ($then < $now - 1e-9) {
                    array_splice($walk, $i, $j - $i + 1, array_reverse(array_slice($walk, $i, $j - $i + 1)));
                    $better = true;
                }
            }
        }

        return $better;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     *
     * @pure
     */
    private static function apart(array $a, array $b): float
    {
        $dx = $a[0] - $b[0];
        $dy = $a[1] - $b[1];

        return sqrt($dx * $dx + $dy * $dy);
    }
}
