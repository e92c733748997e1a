<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

/**
 * Empirical variogram: half the mean squared difference of pairs of places, by their distance.
 *
 * Quantity and unit: semivariance in the square of the value's unit; distance in metres, the mean of the pairs in a
 * lag.
 * Variant: Matheron's estimator; lags of equal width up to half the largest distance.
 * Source: Matheron 1963, Economic Geology 58:1246-1266.
 */
final class Variogram
{
    /**
     * @param list<array{float, float, float}> $values metres east, metres north, value
     * @param positive-int $lags
     * @return list<array{metres: float, semivariance: float, pairs: int}> lags with pairs in them, ascending
     */
    public static function of(array $values, int $lags): array
    {
        $farthest = 0.0;
        foreach ($values as $i => [$x, $y]) {
            for ($j = 0; $j < $i; $j++) {
                $farthest = max($farthest, hypot($x - $values[$j][0], $y - $values[$j][1]));
            }
        }
        $width = $farthest / 2 / $lags;
        if ($width <= 0) {
            return [];
        }
        $found = [];
        foreach ($values as $i => [$x, $y, $value]) {
            for ($j = 0; $j < $i; $j++) {
                $h = hypot($x - $values[$j][0], $y - $values[$j][1]);
                $lag = (int) floor($h / $width);
                if ($lag < $lags) {
                    $found[$lag] ??= [0.0, 0.0, 0];
                    $found[$lag][0] += $h;
                    $found[$lag][1] += ($value - $values[$j][2]) ** 2 / 2;
                    $found[$lag][2]++;
                }
            }
        }
        ksort($found);

        return array_map(
            static fn (array $lag): array => [
                'metres' => $lag[0] / $lag[2],
                'semivariance' => $lag[1] / $lag[2],
                'pairs' => $lag[2],
            ],
            array_values($found),
        );
    }
}
