<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class StudentT
{
    /** Above this many degrees of freedom the expansion about the normal is exact to 1e-13. */
    private const NEARLY_NORMAL = 1e7;

    /**
     * Two-sided tail probability of Student's t.
     *
     * Quantity and unit: P(|T| > |t|), 0 to 1.
     * Domain: any t, degrees of freedom above 0.
     * Source: DLMF 8.17 (t as a beta variable).
     *
     * @pure
     */
    public static function twoSided(float $t, float $df): float
    {
        return is_infinite($t) ? 0.0 : IncompleteBeta::of($df / 2, 0.5, $df / ($df + $t * $t));
    }

    /**
     * Quantile of Student's t.
     *
     * Quantity and unit: t with P(T <= t) = p, no unit.
     * Domain: p strictly between 0 and 1, degrees of freedom above 0.
     * Accuracy: about 1e-12 relative (against R's qt).
     * Source: inversion; above 1e7 degrees of freedom Fisher's expansion, Abramowitz & Stegun 26.7.5.
     */
    public static function quantile(float $p, float $df): float
    {
        if ($p === 0.5) {
            return 0.0;
        }
        if ($p < 0.5) {
            return -self::quantile(1 - $p, $df);
        }
        if ($df > self::NEARLY_NORMAL) {
            $z = Normal::quantile($p);

            return $z + ($z ** 3 + $z) / (4 * $df);
        }
        $tails = 2 * (1 - $p);
        $high = 2.0;
        while (self::twoSided($high, $df) > $tails) {
            $high *= 2;
        }

        return Root::between(static fn (float $t): float => self::twoSided($t, $df) - $tails, 0.0, $high);
    }
}
