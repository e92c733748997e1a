<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

/** Root of a continuous function between two points where its sign differs. */
final class Root
{
    private const MAX_STEPS = 200;

    /**
     * Brent's method: bisection that speeds up by secant and inverse quadratic steps.
     *
     * Quantity and unit: the argument at which the function is zero, in the argument's own unit.
     * Domain: the function changes sign between $low and $high; an end that is a root is returned.
     * Accuracy: about 4e-16 relative to the root, or $tolerance.
     * Source: Brent 1973, Algorithms for Minimization without Derivatives, chapter 4.
     *
     * @param callable(float): float $function
     */
    public static function between(callable $function, float $low, float $high, float $tolerance = 1e-15): float
    {
        [$a, $b] = [$low, $high];
        [$fa, $fb] = [$function($a), $function($b)];
        [$c, $fc] = [$a, $fa];
        $step = $last = $b - $a;
        for ($i = 0; $i < self::MAX_STEPS; $i++) {
            if ($fb > 0 === $fc > 0) {
                [$c, $fc] = [$a, $fa];
                $step = $last = $b - $a;
            }
            if (abs($fc) < abs($fb)) {
                [$a, $b, $c] = [$b, $c, $b];
                [$fa, $fb, $fc] = [$fb, $fc, $fb];
            }
            $near = 2 * PHP_FLOAT_EPSILON * abs($b) + $tolerance / 2;
            $half = ($c - $b) / 2;
            if (abs($half) <= $near || $fb === 0.0) {
                return $b;
            }
            [$step, $last] = self::nextStep($a, $b, $c, $fa, $fb, $fc, $half, $near, $step, $last);
            [$a, $fa] = [$b, $fb];
            $b += abs($step) > $near ? $step : ($half > 0 ? $near : -$near);
            $fb = $function($b);
        }

        return $b;
    }

    /** @return array{float, float} the step to take and the one before it */
    private static function nextStep(
        float $a,
        float $b,
        float $c,
        float $fa,
        float $fb,
        float $fc,
        float $half,
        float $near,
        float $step,
        float $last,
    ): array {
        if (abs($last) < $near || abs($fa) <= abs($fb)) {
            return [$half, $half];
        }
        $s = $fb / $fa;
        if ($a === $c) {
            $p = 2 * $half * $s;
            $q = 1 - $s;
        } else {
            [$r, $t] = [$fb / $fc, $fa / $fc];
            $p = $s * (2 * $half * $t * ($t - $r) - ($b - $a) * ($r - 1));
            $q = ($t - 1) * ($r - 1) * ($s - 1);
        }
        $q = $p > 0 ? -$q : $q;
        $p = abs($p);

        return 2 * $p < min(3 * $half * $q - abs($near * $q), abs($last * $q)) ? [$p / $q, $step] : [$half, $half];
    }
}
