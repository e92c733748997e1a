<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class ChiSquare
{
    private const MAX_TERMS = 200_000;

    /**
     * Distribution function of chi-square.
     *
     * Quantity and unit: probability, 0 to 1.
     * Domain: x 0 or more, degrees of freedom above 0.
     * Accuracy: about 1e-13 (against R's pchisq).
     * Source: series and continued fraction of the incomplete gamma function, DLMF 8.11.4 and 8.9.2.
     *
     * @pure
     */
    public static function cdf(float $x, float $df): float
    {
        if ($x <= 0) {
            return 0.0;
        }
        [$a, $x] = [$df / 2, $x / 2];
        $front = exp($a * log($x) - $x - LogGamma::of($a));

        return $x < $a + 1 ? $front * self::series($a, $x) : 1 - $front * self::fraction($a, $x);
    }

    /**
     * Quantile of chi-square.
     *
     * Quantity and unit: value x with cdf(x) = p, no unit.
     * Domain: p strictly between 0 and 1, degrees of freedom above 0.
     * Source: inversion of the distribution function.
     */
    public static function quantile(float $p, float $df): float
    {
        $high = $df + 10;
        while (self::cdf($high, $df) < $p) {
            $high *= 2;
        }

        return Root::between(static fn (float $x): float => self::cdf($x, $df) - $p, 0.0, $high);
    }

    /** @pure */
    private static function series(float $a, float $x): float
    {
        $sum = $term = 1 / $a;
        for ($n = 1; $n < self::MAX_TERMS; $n++) {
            $term *= $x / ($a + $n);
            $sum += $term;
            if ($term < $sum * PHP_FLOAT_EPSILON) {
                break;
            }
        }

        return $sum;
    }

    /** @pure */
    private static function fraction(float $a, float $x): float
    {
        $b = $x + 1 - $a;
        $c = 1e300;
        $d = 1 / $b;
        $h = $d;
        for ($n = 1; $n < self::MAX_TERMS; $n++) {
            $term = -$n * ($n - $a);
            $b += 2;
            $d = 1 / ($term * $d + $b);
            $c = $b + $term / $c;
            $h *= $d * $c;
            if (abs($d * $c - 1) < PHP_FLOAT_EPSILON) {
                break;
            }
        }

        return $h;
    }
}
