<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * A short walk through given places, open at its end, from a start where one is given.
 *
 * Quantity and unit: metres.
 * Variant: nearest neighbour from the start (else from the south-western place), then 2-opt and moves of up to three
 *   neighbours elsewhere, until neither shortens the walk; above 2,000 places they reach a limited number of places
 * ahead.
 * Accuracy: within 5 % of the shortest walk on ten sets of 12 to 60 places (see tests/Reference/walks.py).
 * Source: Croes 1958, Operations Research 6:791-812 (2-opt); Or 1976 (moves).
 */
final class WalkingOrder
{
    private const PASSES = 40;

    private const EXCHANGES_A_PASS = 2_000_000;

    private const LONGEST_MOVE = 3;

    /**
     * @param list<array{float, float}> $places
     * @param array{float, float}|null $start where the walk begins; not a place of it
     * @return list<array{float, float}>
     */
    public static function of(array $places, ?array $start = null): array
    {
        $n = count($places);
        if ($n < 2 || ($n < 3 && $start === null)) {
            return $places;
        }
        $walk = self::nearestNeighbour($places, $start);
        $fixed = $start === null ? 0 : 1;
        $window = (int) max(30, self::EXCHANGES_A_PASS / $n);
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            $exchanged = self::exchange($walk, $fixed, $window);
            if (! self::move($walk, $fixed, $window) && ! $exchanged) {
                break;
            }
        }

        return array_slice($walk, $fixed);
    }

    /** @param list<array{float, float}> $walk */
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
     * @param array{float, float}|null $start
     * @return list<array{float, float}>
     */
    private static function nearestNeighbour(array $places, ?array $start): array
    {
        $here = 0;
        foreach ($places as $i => [$x, $y]) {
            if ($x + $y < $places[$here][0] + $places[$here][1]) {
                $here = $i;
            }
        }
        [$x, $y] = $start ?? $places[$here];
        $walk = [[$x, $y]];
        if ($start === null) {
            unset($places[$here]);
        }
        while ($places !== []) {
            $nearest = INF;
            foreach ($places as $i => [$px, $py]) {
                $distance = ($px - $x) * ($px - $x) + ($py - $y) * ($py - $y);
                if ($distance < $nearest) {
                    [$nearest, $here] = [$distance, $i];
                }
            }
            $walk[] = [$x, $y] = $places[$here];
            unset($places[$here]);
        }

        return $walk;
    }

    /** @param list<array{float, float}> $walk */
    private static function exchange(array &$walk, int $fixed, int $window): bool
    {
        $better = false;
        $n = count($walk);
        for ($i = $fixed; $i < $n - 1; $i++) {
            for ($j = $i + 1, $last = min($n - 1, $i + $window); $j <= $last; $j++) {
                $now =
                    ($i > 0 ? self::apart($walk[$i - 1], $walk[$i]) : 0.0) +
                    ($j < $n - 1 ? self::apart($walk[$j], $walk[$j + 1]) : 0.0);
                $then =
                    ($i > 0 ? self::apart($walk[$i - 1], $walk[$j]) : 0.0) +
                    ($j < $n - 1 ? self::apart($walk[$i], $walk[$j + 1]) : 0.0);
                if ($then < $now - 1e-9) {
                    array_splice($walk, $i, $j - $i + 1, array_reverse(array_slice($walk, $i, $j - $i + 1)));
                    $better = true;
                }
            }
        }

        return $better;
    }

    /**
     * Moves a few neighbours to where they lengthen the walk less, either way round.
     *
     * @param list<array{float, float}> $walk
     */
    private static function move(array &$walk, int $fixed, int $window): bool
    {
        $better = false;
        $n = count($walk);
        for ($length = 1; $length <= self::LONGEST_MOVE; $length++) {
            for ($i = $fixed; $i + $length <= $n; $i++) {
                $end = $i + $length - 1;
                $saved =
                    self::leg($walk, $i - 1, $i) +
                    self::leg($walk, $end, $end + 1) -
                    self::leg($walk, $i - 1, $end + 1);
                if ($saved < 1e-9) {
                    continue;
                }
                [$best, $least, $turned] = [null, $saved - 1e-9, false];
                for ($at = max($fixed, $i - $window), $last = min($n, $end + 1 + $window); $at <= $last; $at++) {
                    if ($at >= $i && $at <= $end + 1) {
                        continue;
                    }
                    $gap = self::leg($walk, $at - 1, $at);
                    foreach ([[$i, $end, false], [$end, $i, true]] as [$first, $final, $turn]) {
                        $added = self::leg($walk, $at - 1, $first) + self::leg($walk, $final, $at) - $gap;
                        if ($added < $least) {
                            [$best, $least, $turned] = [$at, $added, $turn];
                        }
                    }
                }
                if ($best !== null) {
                    $piece = array_splice($walk, $i, $length);
                    array_splice(
                        $walk,
                        $best > $i ? $best - $length : $best,
                        0,
                        $turned ? array_reverse($piece) : $piece,
                    );
                    $better = true;
                }
            }
        }

        return $better;
    }

    /**
     * Length between two places by their position; nothing where one is off the walk.
     *
     * @param list<array{float, float}> $walk
     */
    private static function leg(array $walk, int $i, int $j): float
    {
        return isset($walk[$i], $walk[$j]) ? self::apart($walk[$i], $walk[$j]) : 0.0;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private static function apart(array $a, array $b): float
    {
        $dx = $a[0] - $b[0];
        $dy = $a[1] - $b[1];

        return sqrt($dx * $dx + $dy * $dy);
    }
}
