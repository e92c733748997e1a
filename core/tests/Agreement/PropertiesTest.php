<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Concordance;
use HonestCore\Agreement\Deming;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\Kappa;
use HonestCore\Agreement\PassingBablok;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** What must hold whatever the readings are. */
#[CoversClass(Differences::class)]
final class PropertiesTest extends TestCase
{
    public function test_swapping_the_methods_turns_the_bias_and_its_limits_round(): void
    {
        foreach (self::sets() as [$x, $y]) {
            $there = Differences::between($x, $y, 0.95);
            $back = Differences::between($y, $x, 0.95);
            self::assertEqualsWithDelta($there->mean, -$back->mean, 1e-12);
            self::assertEqualsWithDelta($there->upper, -$back->lower, 1e-12);
            self::assertEqualsWithDelta($there->upperInterval[1] ?? NAN, -($back->lowerInterval[0] ?? NAN), 1e-9);
        }
    }

    public function test_shifting_both_methods_leaves_their_differences(): void
    {
        foreach (self::sets() as [$x, $y]) {
            $shift = static fn (float $v): float => $v + 3.25;
            self::assertEqualsWithDelta(
                Differences::between($x, $y, 0.95)->sd,
                Differences::between(array_map($shift, $x), array_map($shift, $y), 0.95)->sd,
                1e-12,
            );
        }
    }

    public function test_the_regression_of_swapped_methods_is_its_inverse(): void
    {
        foreach (self::sets() as [$x, $y]) {
            self::assertEqualsWithDelta(1.0, Deming::fit($x, $y)->slope * Deming::fit($y, $x)->slope, 1e-9);
        }
    }

    public function test_two_pairs_have_a_line_through_them_and_one_has_none(): void
    {
        $line = Deming::fit([1.0, 2.0], [1.0, 3.0]);
        self::assertEqualsWithDelta([2.0, -1.0], [$line->slope, $line->intercept], 1e-12);
        self::assertNull(Deming::fit([1.0], [1.0])->slope);
        self::assertNull(Deming::fit([2.0, 2.0], [1.0, 3.0])->slope, 'a line that stands upright has no slope');
        self::assertSame(
            [0.0, 1.0],
            [Deming::fit([1.0, 3.0], [1.0, 1.0])->slope, Deming::fit([1.0, 3.0], [1.0, 1.0])->intercept],
        );
    }

    /**
     * The more of the error is the test's, the nearer Deming comes to least squares of the test on the reference, and
     * the other way round.
     */
    public function test_deming_lies_between_the_two_least_squares(): void
    {
        [$x, $y] = [[1.0, 2.0, 3.0, 4.0, 5.0, 6.0], [1.4, 1.7, 3.9, 3.5, 5.8, 5.6]];
        [$xx, $yy, $xy] = [17.5, 0.0, 0.0];
        foreach ($x as $i => $one) {
            $yy += ($y[$i] - 3.65) ** 2;
            $xy += ($one - 3.5) * ($y[$i] - 3.65);
        }
        $slopes = array_map(static fn (float $ratio): float => Deming::fit($x, $y, $ratio)->slope ?? NAN, [
            1e-9,
            0.1,
            1.0,
            10.0,
            1e9,
        ]);
        $sorted = $slopes;
        sort($sorted);
        self::assertSame(array_reverse($sorted), $slopes, 'steepest where the reference bears the error');
        self::assertEqualsWithDelta([$yy / $xy, $xy / $xx], [$slopes[0], $slopes[4]], 1e-6);
    }

    public function test_concordance_is_symmetric_and_never_beyond_one(): void
    {
        foreach (self::sets() as [$x, $y]) {
            $there = Concordance::of($x, $y, 0.95);
            self::assertEqualsWithDelta($there->coefficient, Concordance::of($y, $x, 0.95)->coefficient, 1e-12);
            self::assertLessThanOrEqual(1.0, abs((float) $there->coefficient));
        }
    }

    public function test_a_constant_bias_lowers_concordance_but_not_passing_bablok_slope(): void
    {
        $x = [4.8, 5.2, 5.9, 6.1, 6.6, 7.0, 7.4];
        $y = array_map(static fn (float $v): float => $v + 0.5, $x);

        self::assertLessThan(1.0, Concordance::of($x, $y, 0.95)->coefficient);
        $line = PassingBablok::fit($x, $y, 0.95);
        self::assertEqualsWithDelta(1.0, $line->slope, 1e-9);
        self::assertEqualsWithDelta(0.5, $line->toArray()['intercept'], 1e-9);
    }

    public function test_equal_methods_agree_fully_and_figures_without_spread_are_null(): void
    {
        $x = [4.8, 5.5, 6.1, 7.0];
        $same = Differences::between($x, $x, 0.95)->toArray();

        self::assertSame(0.0, $same['sd']);
        self::assertNull($same['trend']['p']);
        self::assertEqualsWithDelta(1.0, Concordance::of($x, $x, 0.95)->coefficient, 1e-12);
        self::assertNull(Concordance::of($x, $x, 0.95)->interval);
    }

    public function test_one_pair_has_a_mean_and_nothing_else(): void
    {
        $one = Differences::between([6.0], [6.3], 0.95)->toArray();

        self::assertEqualsWithDelta(0.3, $one['mean'], 1e-12);
        self::assertNull($one['sd']);
        self::assertNull($one['lower_limit_ci']);
        self::assertNull(Deming::fit([6.0], [6.3])->slope);
    }

    public function test_full_agreement_has_kappa_one_and_one_class_has_none(): void
    {
        self::assertEqualsWithDelta(1.0, Kappa::of([[4, 0], [0, 5]])->unweighted, 1e-15);
        self::assertNull(Kappa::of([[9, 0], [0, 0]])->unweighted);
    }

    public function test_passing_bablok_outlives_an_outlier(): void
    {
        $x = range(1.0, 15.0);
        $y = $x;
        $y[7] = 60.0;

        self::assertEqualsWithDelta(1.0, PassingBablok::fit($x, $y, 0.95)->slope, 1e-9);
        self::assertGreaterThan(0.2, abs((float) Deming::fit($x, $y)->slope - 1));
    }

    /** @return iterable<array{list<float>, list<float>}> */
    private static function sets(): iterable
    {
        mt_srand(5);
        for ($i = 0; $i < 12; $i++) {
            $x = $y = [];
            for ($k = 0; $k < 6 + $i * 3; $k++) {
                $x[] = $v = mt_rand(450, 800) / 100;
                $y[] = $v + mt_rand(-60, 60) / 100;
            }
            yield [$x, $y];
        }
    }
}
