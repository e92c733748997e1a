<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\PairwiseSlopes;
use HonestCore\Agreement\PassingBablok;
use PHPUnit\Framework\TestCase;

/** Slopes are ranked without being listed; listing them all must give the same. */
final class PairwiseSlopesTest extends TestCase
{
    public function test_every_rank_is_that_of_the_sorted_list(): void
    {
        mt_srand(31);
        for ($round = 0; $round < 25; $round++) {
            $n = mt_rand(3, 24);
            $x = array_map(static fn (): float => mt_rand(0, 12) / 4, range(1, $n));
            $y = array_map(static fn (): float => mt_rand(0, 12) / 4, range(1, $n));
            $slopes = [];
            $vertical = 0;
            for ($i = 0; $i < $n; $i++) {
                for ($j = $i + 1; $j < $n; $j++) {
                    if ($x[$i] === $x[$j]) {
                        $vertical += $y[$i] === $y[$j] ? 0 : 1;
                    } else {
                        $slopes[] = ($y[$j] - $y[$i]) / ($x[$j] - $x[$i]);
                    }
                }
            }
            sort($slopes);
            $found = new PairwiseSlopes($x, $y);
            self::assertSame([count($slopes), $vertical], [$found->finite(), $found->infinite()]);
            foreach ($slopes as $rank => $slope) {
                self::assertEqualsWithDelta($slope, $found->ranked($rank + 1), 1e-9, "rank {$rank} of round {$round}");
            }
        }
    }

    /** Points of a grid coincide often, and slopes of -1 are many; drawn pairs only choose where counting begins. */
    public function test_slopes_about_one_are_counted_and_many_points_keep_their_ranks(): void
    {
        mt_srand(37);
        $x = array_map(static fn (): float => mt_rand(0, 9) / 2, range(1, 40));
        $y = array_map(static fn (): float => mt_rand(0, 9) / 2, range(1, 40));
        $exact = 0;
        foreach ($x as $i => $at) {
            for ($j = 0; $j < $i; $j++) {
                $exact += $at !== $x[$j] && ($y[$i] - $y[$j]) / ($at - $x[$j]) === -1.0 ? 1 : 0;
            }
        }
        self::assertGreaterThan(0, $exact);
        self::assertSame($exact, (new PairwiseSlopes($x, $y))->about(-1, 1e-9));
        self::assertSame(0, (new PairwiseSlopes([1.0, 2.0, 4.0], [1.0, 3.0, 3.5]))->about(-1, 1e-9));

        $x = array_map(static fn (): float => mt_rand(45_000, 80_000) / 10_000, range(1, 21_000));
        $y = array_map(static fn (float $one): float => $one + mt_rand(-4000, 4000) / 10_000, $x);
        $many = new PairwiseSlopes($x, $y);
        foreach ([0.1, 0.5, 0.9] as $share) {
            $rank = (int) ($share * $many->finite());
            $slope = $many->ranked($rank);
            self::assertLessThan($rank, $many->below($slope - 1e-9));
            self::assertGreaterThanOrEqual($rank, $many->below($slope + 1e-9));
        }
    }

    /** A slip of the pen among them, of 1e12, must not make the others alike. */
    public function test_values_of_another_size_change_no_rank_of_the_others(): void
    {
        mt_srand(33);
        for ($round = 0; $round < 12; $round++) {
            $n = 12 + 2 * $round;
            $x = array_map(static fn (): float => mt_rand(4000, 8000) / 1000, range(1, $n));
            $y = array_map(static fn (float $one): float => round($one + mt_rand(-300, 300) / 1000, $round % 3), $x);
            $y[0] = 1e12;
            $y[1] = $round % 2 === 0 ? -1e12 : 3e9;
            $x[2] = $round % 4 === 3 ? 1e12 : $x[2];
            $slopes = [];
            foreach ($x as $i => $at) {
                for ($j = 0; $j < $i; $j++) {
                    $slopes[] = $at === $x[$j] ? INF : ($y[$i] - $y[$j]) / ($at - $x[$j]);
                }
            }
            sort($slopes);
            $found = new PairwiseSlopes(array_values($x), $y);
            foreach ($slopes as $rank => $slope) {
                $is = $found->ranked($rank + 1);
                $off = $slope === $is ? 0.0 : abs($slope - $is);
                self::assertLessThanOrEqual(1e-9 * max(1.0, abs($slope)), $off, "rank {$rank} of round {$round}");
            }
        }
    }

    public function test_a_line_holds_beside_two_values_of_1e12(): void
    {
        mt_srand(34);
        [$x, $y] = [[6.0, 6.1], [1e12, -1e12]];
        for ($i = 0; $i < 30; $i++) {
            $x[] = 5.0 + $i / 10;
            $y[] = 5.0 + $i / 10 + mt_rand(-200, 200) / 1000;
        }
        $slopes = [];
        for ($i = 0; $i < 32; $i++) {
            for ($j = 0; $j < $i; $j++) {
                if ($x[$i] !== $x[$j]) {
                    $slopes[] = ($y[$i] - $y[$j]) / ($x[$i] - $x[$j]);
                } elseif ($y[$i] !== $y[$j]) {
                    $slopes[] = INF;
                }
            }
        }
        sort($slopes);
        $below = count(array_filter($slopes, static fn (float $one): bool => $one < -1));
        $middle = intdiv(count($slopes) - 1, 2) + $below;
        $median = count($slopes) % 2 === 1 ? $slopes[$middle] : ($slopes[$middle] + $slopes[$middle + 1]) / 2;

        self::assertEqualsWithDelta($median, PassingBablok::fit($x, $y, 0.95)->slope, 1e-9);
    }

    public function test_the_count_below_a_slope_is_that_of_the_list(): void
    {
        $found = new PairwiseSlopes([1.0, 2.0, 3.0, 4.0], [1.0, 3.0, 2.0, 5.0]);

        foreach ([[-2.0, 0], [0.0, 1], [1.2, 3], [10.0, 6]] as [$slope, $below]) {
            self::assertSame($below, $found->below($slope), "below {$slope}");
        }
    }

    public function test_thousands_of_pairs_are_no_matter(): void
    {
        mt_srand(32);
        $x = $y = [];
        for ($i = 0; $i < 3000; $i++) {
            $x[] = $v = mt_rand(4000, 8000) / 1000;
            $y[] = 0.9 * $v + 0.4 + mt_rand(-200, 200) / 1000;
        }
        $line = PassingBablok::fit($x, $y, 0.95);

        self::assertEqualsWithDelta(0.9, $line->slope, 0.02);
        self::assertEqualsWithDelta(0.4, $line->toArray()['intercept'], 0.12);
    }
}
