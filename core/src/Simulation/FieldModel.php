<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Error\ValueOutOfRange;

/**
 * How a property varies over ground: about a mean, alike nearby and unlike far off.
 *
 * Quantity and unit: mean and standard deviation in the property's unit; `rangeM` metres, the distance at which places
 * are all but independent. Variogram: sd² (1 - exp(-3 h / range)).
 * Domain: sd 0 or more, range above 0.
 * Source: the exponential model, Webster & Oliver 2007, Geostatistics for Environmental Scientists, chapter 5.
 */
final readonly class FieldModel
{
    private function __construct(public float $mean, public float $sd, public float $rangeM) {}

    /** @throws ValueOutOfRange */
    public static function of(float $mean, float $sd, float $rangeM): self
    {
        if (! is_finite($mean)) {
            throw new ValueOutOfRange('mean_field');
        }
        if (! ($sd >= 0 && is_finite($sd))) {
            throw new ValueOutOfRange('spread_field', ['value' => $sd]);
        }
        if (! ($rangeM > 0 && $rangeM <= 1e6)) {
            throw new ValueOutOfRange('range_field', [
                'value' => $rangeM,
                'low' => 0,
                'high' => 1000000,
                'unit' => 'm',
            ]);
        }

        return new self($mean, $sd, $rangeM);
    }

    /**
     * Half the mean squared difference between places a distance apart.
     *
     * @pure
     */
    public function semivariance(float $metres): float
    {
        return $this->sd ** 2 * (1 - exp((-3 * $metres) / $this->rangeM));
    }

    /**
     * The model that fits located values: their mean, and the spread and range whose variogram lies closest to the
     * empirical one, lags weighted by their pairs.
     *
     * @param list<array{float, float, float}> $values metres east, metres north, value
     *
     * @throws ValueOutOfRange below 10 values, or where all values or places are one
     */
    public static function fitted(array $values): self
    {
        if (count($values) < 10) {
            throw new ValueOutOfRange('earlier_results_for_a_range', ['value' => count($values), 'low' => 10]);
        }
        $lags = Variogram::of($values, 12);
        $far = $lags === [] ? 0.0 : max(array_column($lags, 'metres'));
        if ($far <= 0) {
            throw new ValueOutOfRange('earlier_results_in_one_place');
        }
        [$best, $least] = [null, INF];
        for ($k = 0; $k <= 60; $k++) {
            $range = $far * 0.05 * 60 ** ($k / 60);
            [$sum, $square] = [0.0, 0.0];
            foreach ($lags as ['metres' => $h, 'semivariance' => $gamma, 'pairs' => $pairs]) {
                $shape = 1 - exp((-3 * $h) / $range);
                $sum += $pairs * $gamma * $shape;
                $square += $pairs * $shape * $shape;
            }
            $sill = $sum / $square;
            $misfit = 0.0;
            foreach ($lags as ['metres' => $h, 'semivariance' => $gamma, 'pairs' => $pairs]) {
                $misfit += $pairs * ($gamma - $sill * (1 - exp((-3 * $h) / $range))) ** 2;
            }
            if ($misfit < $least) {
                [$best, $least] = [[sqrt(max(0.0, $sill)), $range], $misfit];
            }
        }

        return self::of(array_sum(array_column($values, 2)) / count($values), $best[0] ?? 0.0, $best[1] ?? $far);
    }
}
