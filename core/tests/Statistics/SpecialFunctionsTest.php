<?php

declare(strict_types=1);

namespace HonestCore\Tests\Statistics;

use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\GaussLegendre;
use HonestCore\Statistics\IncompleteBeta;
use HonestCore\Statistics\LogGamma;
use HonestCore\Statistics\NoncentralT;
use HonestCore\Statistics\Normal;
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
                self::assertEqualsWithDelta(
                    1.0,
                    IncompleteBeta::of($a, $b, $x) + IncompleteBeta::of($b, $a, 1 - $x),
                    1e-13,
                );
            }
        }
        self::assertEqualsWithDelta(0.3 ** 4, IncompleteBeta::of(4, 1, 0.3), 1e-15, 'I_x(a, 1) = x^a');
    }

    /** Of whole numbers the incomplete beta is a binomial tail: I_p(k, n − k + 1) = P(X ≥ k). */
    public function test_the_incomplete_beta_is_the_tail_of_a_binomial(): void
    {
        foreach ([[5, 0.2], [12, 0.5], [30, 0.03], [30, 0.9]] as [$n, $p]) {
            for ($k = 1; $k <= $n; $k++) {
                $tail = 0.0;
                for ($i = $k; $i <= $n; $i++) {
                    $tail += exp(
                        LogGamma::of($n + 1) -
                            LogGamma::of($i + 1) -
                            LogGamma::of($n - $i + 1) +
                            $i * log($p) +
                            ($n - $i) * log1p(-$p),
                    );
                }
                self::assertEqualsWithDelta(
                    $tail,
                    IncompleteBeta::of($k, $n - $k + 1, $p),
                    1e-12,
                    "{$k} of {$n} at {$p}",
                );
            }
        }
        self::assertSame(
            [0.0, 1.0, 0.0, 1.0],
            [
                IncompleteBeta::of(2, 3, 0.0),
                IncompleteBeta::of(2, 3, 1.0),
                IncompleteBeta::of(2, 3, -0.1),
                IncompleteBeta::of(2, 3, 1.1),
            ],
        );
    }

    /**
     * Its logarithm is that of the function where there is one, and goes on where the function is too small for a
     * double.
     */
    public function test_the_logarithm_of_the_incomplete_beta_goes_on_below_the_smallest_number(): void
    {
        foreach ([[2.0, 3.0], [0.5, 0.5], [40.0, 7.0], [7.0, 40.0]] as [$a, $b]) {
            foreach ([0.01, 0.3, 0.5, 0.77, 0.99] as $x) {
                self::assertEqualsWithDelta(
                    log(IncompleteBeta::of($a, $b, $x)),
                    IncompleteBeta::logOf($a, $b, $x),
                    1e-10,
                );
            }
        }
        foreach ([1e-80, 1e-200] as $x) {
            self::assertEqualsWithDelta(5 * log($x), IncompleteBeta::logOf(5, 1, $x), 1e-9, 'I_x(a, 1) = x^a');
        }
        self::assertSame([-INF, 0.0], [IncompleteBeta::logOf(2, 3, 0.0), IncompleteBeta::logOf(2, 3, 1.0)]);
    }

    /** With 2k degrees chi-square is a Poisson sum: P(X > x) = e^(−x/2) Σ (x/2)^i / i! for i below k. */
    public function test_chi_square_of_even_degrees_is_a_poisson_sum(): void
    {
        foreach ([1, 2, 5, 20] as $k) {
            foreach ([0.3, 2.0, 11.0, 40.0, 90.0] as $x) {
                [$term, $sum] = [1.0, 1.0];
                for ($i = 1; $i < $k; $i++) {
                    $sum += $term *= $x / 2 / $i;
                }
                self::assertEqualsWithDelta(1 - exp(-$x / 2) * $sum, ChiSquare::cdf($x, 2 * $k), 1e-12, "{$k}, {$x}");
            }
        }
        foreach ([1, 3, 10, 200] as $df) {
            foreach ([0.001, 0.025, 0.5, 0.975, 0.999] as $p) {
                self::assertEqualsWithDelta($p, ChiSquare::cdf(ChiSquare::quantile($p, $df), $df), 1e-11);
            }
        }
    }

    /**
     * Turned round, a noncentral t is one of the opposite shift; and a quantile is where its distribution reaches the
     * share.
     */
    public function test_noncentral_t_mirrors_itself_and_its_quantile_leads_back(): void
    {
        foreach ([2, 4, 19, 300] as $df) {
            foreach ([0.0, 1.5, 8.77, 33.0] as $shift) {
                foreach ([-2.0, 0.0, 1.0, 9.0] as $t) {
                    self::assertEqualsWithDelta(
                        1.0,
                        NoncentralT::cdf($t, $df, $shift) + NoncentralT::cdf(-$t, $df, -$shift),
                        1e-10,
                    );
                }
                foreach ([0.005, 0.025, 0.5, 0.975, 0.995] as $p) {
                    self::assertEqualsWithDelta(
                        $p,
                        NoncentralT::cdf(NoncentralT::quantile($p, $df, $shift), $df, $shift),
                        1e-9,
                        "{$p}, {$df}, {$shift}",
                    );
                }
                self::assertEqualsWithDelta(
                    Normal::cdf(-$shift),
                    NoncentralT::cdf(0.0, $df, $shift),
                    1e-10,
                    'at 0 the spread does not matter',
                );
            }
        }
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
                self::assertEqualsWithDelta(
                    $power % 2 === 0 ? 2 / ($power + 1) : 0.0,
                    $sum,
                    1e-12,
                    "{$points} points, x^{$power}",
                );
            }
        }
    }
}
