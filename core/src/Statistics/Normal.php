<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class Normal
{
    private const NUMERATOR = [
        3.52624965998911e-2,
        0.700383064443688,
        6.37396220353165,
        33.912866078383,
        112.079291497871,
        221.213596169931,
        220.206867912376,
    ];

    private const DENOMINATOR = [
        8.83883476483184e-2,
        1.75566716318264,
        16.064177579207,
        86.7807322029461,
        296.564248779674,
        637.333633378831,
        793.826512519948,
        440.413735824752,
    ];

    /**
     * Distribution function of the standard normal.
     *
     * Quantity and unit: probability, 0 to 1.
     * Domain: any finite z.
     * Accuracy: 1e-14 (against R's pnorm).
     * Source: Hart 1968, as given by West 2005, Better approximations to cumulative normal functions.
     *
     * @pure
     */
    public static function cdf(float $z): float
    {
        $x = abs($z);
        if ($x > 37) {
            return $z > 0 ? 1.0 : 0.0;
        }
        $tail = exp((-$x * $x) / 2);
        if ($x < 7.07106781186547) {
            $tail *= self::polynomial(self::NUMERATOR, $x) / self::polynomial(self::DENOMINATOR, $x);
        } else {
            $tail /= ($x + 1 / ($x + 2 / ($x + 3 / ($x + 4 / ($x + 0.65))))) * 2.506628274631;
        }

        return $z > 0 ? 1 - $tail : $tail;
    }

    /**
     * Quantile of the standard normal.
     *
     * Quantity and unit: z with cdf(z) = p, no unit.
     * Domain: p strictly between 0 and 1.
     * Source: inversion of the distribution function.
     */
    public static function quantile(float $p): float
    {
        return Root::between(static fn (float $z): float => self::cdf($z) - $p, -37.0, 37.0);
    }

    /**
     * @param non-empty-list<float> $coefficients
     *
     * @pure
     */
    private static function polynomial(array $coefficients, float $x): float
    {
        $sum = 0.0;
        foreach ($coefficients as $coefficient) {
            $sum = $sum * $x + $coefficient;
        }

        return $sum;
    }
}
