<?php

declare(strict_types=1);

namespace HonestCore\Tests\Statistics;

use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\GaussLegendre;
use HonestCore\Statistics\IncompleteBeta;
use HonestCore\Statistics\LogGamma;
use PHPUnit\Framework\TestCase;

/** Identities that hold whatever the implementation. */
final class SpecialFunctionsTest extends TestCase
{
    public function test_gamma_of_whole_numbers_is_the_factorial_and_of_a_half_the_root_of_pi(): void
    {
        $factorial = 1.0;
        for ($n = 1; $n < 20; $n++) {
            self::assertEqualsWithDelta(log($factorial), LogGamma::of($n), 1e-12);
            $factorial *= $n;
        }
        self::assertEqualsWithDelta(log(sqrt(M_PI)), LogGamma::of(0.5), 1e-13);
    }

    public function test_gamma_recurs(): void
    {
        foreach ([0.3, 2.7, 14.2, 300.5] as $x) {
            self::assertEqualsWithDelta(LogGamma::of($x) + log($x), LogGamma::of($x + 1), 1e-10);
        }
    }

    public function test_the_incomplete_beta_mirrors_itself(): void
    {
        foreach ([[2.0, 3.0], [0.5, 0.5], [40.0, 7.0]] as [$a, $b]) {
            foreach ([0.01, 0.3, 0.77] as $x) {
                self::assertEqualsWithDelta(1.0, IncompleteBeta::of($a, $b, $x) + IncompleteBeta::of($b, $a, 1 - $x), 1e-13);
            }
        }
        self::assertEqualsWithDelta(0.3 ** 4, IncompleteBeta::of(4, 1, 0.3), 1e-15, 'I_x(a, 1) = x^a');
    }

    public function test_chi_square_of_two_degrees_is_exponential(): void
    {
        foreach ([0.1, 1.0, 5.0, 20.0] as $x) {
            self::assertEqualsWithDelta(1 - exp(-$x / 2), ChiSquare::cdf($x, 2), 1e-13);
        }
    }

    public function test_gauss_points_integrate_polynomials_exactly(): void
    {
        foreach ([1, 2, 5, 12] as $points) {
            [$nodes, $weights] = GaussLegendre::rule($points);
            self::assertEqualsWithDelta(2.0, array_sum($weights), 1e-13);
            for ($power = 0; $power < 2 * $points; $power++) {
                $sum = 0.0;
                foreach ($nodes as $i => $node) {
                    $sum += $weights[$i] * $node ** $power;
                }
                self::assertEqualsWithDelta($power % 2 === 0 ? 2 / ($power + 1) : 0.0, $sum, 1e-12, "{$points} points, x^{$power}");
            }
        }
    }
}
