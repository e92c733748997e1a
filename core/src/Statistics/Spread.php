<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

/** Mean, standard deviation and median of plain lists of numbers. */
final class Spread
{
    /**
     * Arithmetic mean.
     *
     * Quantity and unit: the unit of the numbers.
     * Domain: 1 number or more, all finite.
     *
     * @param non-empty-list<float> $values
     *
     * @pure
     */
    public static function mean(array $values): float
    {
        return array_sum($values) / count($values);
    }

    /**
     * Sum of squared deviations from the mean, in two passes.
     *
     * Quantity and unit: the squared unit of the numbers.
     * Domain: 1 number or more, all finite. Equal numbers give exactly 0.
     *
     * @param non-empty-list<float> $values
     *
     * @pure
     */
    public static function sumOfSquares(array $values): float
    {
        if (min($values) === max($values)) {
            return 0.0;
        }
        $mean = self::mean($values);
        $sum = 0.0;
        foreach ($values as $value) {
            $sum += ($value - $mean) ** 2;
        }

        return $sum;
    }

    /**
     * Sample standard deviation.
     *
     * Quantity and unit: the unit of the numbers.
     * Domain: 2 numbers or more; null below. Variant: divisor n - 1.
     *
     * @param non-empty-list<float> $values
     *
     * @pure
     */
    public static function standardDeviation(array $values): ?float
    {
        $n = count($values);

        return $n < 2 ? null : sqrt(self::sumOfSquares($values) / ($n - 1));
    }

    /**
     * Median; of two middle numbers their mean.
     *
     * @param non-empty-list<float> $values
     */
    public static function median(array $values): float
    {
        sort($values);
        $n = count($values);
        $middle = intdiv($n, 2);

        return $n % 2 === 1 ? $values[$middle] : ($values[$middle - 1] + $values[$middle]) / 2;
    }
}
