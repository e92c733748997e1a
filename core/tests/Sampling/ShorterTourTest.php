<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Sampling\ShorterTour;
use HonestCore\Sampling\WalkingOrder;
use PHPUnit\Framework\TestCase;

final class ShorterTourTest extends TestCase
{
    public function test_a_walk_comes_out_no_longer_with_the_same_places_and_a_fixed_start_stays_first(): void
    {
        mt_srand(17);
        for ($round = 0; $round < 60; $round++) {
            $n = mt_rand(2, 70);
            // Rounded, so that places coincide and lie in rows as cells do.
            $walk = array_map(static fn (): array => [(float) mt_rand(0, 12), (float) mt_rand(0, 6)], range(1, $n));
            foreach ([true, false] as $isFixed) {
                $shorter = ShorterTour::of($walk, $isFixed);
                self::assertLessThanOrEqual(WalkingOrder::length($walk) + 1e-9, WalkingOrder::length($shorter));
                $isFixed && self::assertSame($walk[0], $shorter[0]);
                [$had, $has] = [$walk, $shorter];
                sort($had);
                sort($has);
                self::assertSame($had, $has);
            }
        }
    }

    public function test_crossed_ways_are_uncrossed_and_a_stray_place_goes_where_it_belongs(): void
    {
        self::assertEqualsWithDelta(
            30.0,
            WalkingOrder::length(ShorterTour::of([[0.0, 0.0], [10.0, 10.0], [10.0, 0.0], [0.0, 10.0]], true)),
            1e-9,
        );
        $row = array_map(static fn (int $i): array => [10.0 * $i, 0.0], [0, 1, 2, 6, 3, 4, 5, 7, 8, 9]);
        self::assertEqualsWithDelta(90.0, WalkingOrder::length(ShorterTour::of($row, true)), 1e-9);
    }

    /** Starts of rows lie along a line; squares of the ground would be as thin as the line is. */
    public function test_places_along_a_line_are_near_their_neighbours(): void
    {
        $row = array_map(static fn (int $i): array => [3.0 * (37 * $i % 401), 5.0], range(0, 400));

        self::assertEqualsWithDelta(1200.0, WalkingOrder::length(WalkingOrder::of($row)), 1e-9);
    }
}
