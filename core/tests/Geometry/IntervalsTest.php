<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Intervals;
use PHPUnit\Framework\TestCase;

final class IntervalsTest extends TestCase
{
    public function test_overlaps_and_touches_become_one_and_empty_ones_vanish(): void
    {
        self::assertSame([[0.0, 3.0], [5.0, 6.0]], Intervals::union([[5.0, 6.0], [1.0, 3.0], [0.0, 1.0], [4.0, 4.0], [0.5, 2.0]]));
        self::assertSame([], Intervals::union([[2.0, 2.0]]));
    }

    public function test_taking_away_and_what_is_in_both_make_up_the_whole(): void
    {
        mt_srand(3);
        for ($i = 0; $i < 200; $i++) {
            $a = Intervals::union(self::some());
            $b = Intervals::union(self::some());
            self::assertEqualsWithDelta(Intervals::length($a), Intervals::length(Intervals::minus($a, $b)) + Intervals::length(Intervals::both($a, $b)), 1e-9);
        }
    }

    public function test_a_distance_along_leads_into_the_stretches(): void
    {
        self::assertSame(0.5, Intervals::at([[0.0, 1.0], [4.0, 6.0]], 0.5));
        self::assertSame(5.0, Intervals::at([[0.0, 1.0], [4.0, 6.0]], 2.0));
    }

    /** @return list<array{float, float}> */
    private static function some(): array
    {
        return array_map(static function (): array {
            $from = mt_rand(0, 1000) / 10;

            return [$from, $from + mt_rand(0, 200) / 10];
        }, range(1, mt_rand(1, 6)));
    }
}
