<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class GaussLegendre
{
    /** @var array<int, array{list<float>, list<float>}> */
    private static array $rules = [];

    /**
     * Nodes and weights of Gauss-Legendre quadrature on -1 to 1.
     *
     * Domain: 1 or more points.
     * Accuracy: exact for polynomials up to degree 2n - 1, to about 1e-15.
     * Source: roots of the Legendre polynomial by Newton's method, DLMF 3.5.
     *
     * @return array{list<float>, list<float>} nodes, weights
     */
    public static function rule(int $points): array
    {
        return self::$rules[$points] ??= self::build($points);
    }

    /** @return array{list<float>, list<float>} */
    private static function build(int $points): array
    {
        [$nodes, $weights] = [[], []];
        for ($i = 0; $i < $points; $i++) {
            $x = cos((M_PI * ($i + 0.75)) / ($points + 0.5));
            for ($step = 0; $step < 20; $step++) {
                [$value, $slope] = self::legendre($points, $x);
                $x -= $value / $slope;
            }
            [, $slope] = self::legendre($points, $x);
            $nodes[] = $x;
            $weights[] = 2 / ((1 - $x * $x) * $slope * $slope);
        }

        return [$nodes, $weights];
    }

    /** @return array{float, float} the polynomial and its derivative at x */
    private static function legendre(int $degree, float $x): array
    {
        [$before, $now] = [1.0, $x];
        for ($k = 2; $k <= $degree; $k++) {
            [$before, $now] = [$now, ((2 * $k - 1) * $x * $now - ($k - 1) * $before) / $k];
        }

        return [$now, ($degree * ($x * $now - $before)) / ($x * $x - 1)];
    }
}
