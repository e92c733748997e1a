<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Intervals;
use PHPUnit\Framework\TestCase;

final class IntervalsTest extends TestCase
{
    public function test_overlaps_and_touches_become_one_and_empty_ones_vanish(): void
    {
        self::assertSame(
            [[0.0, 3.0], [5.0, 6.0]],
            Intervals::union([[5.0, 6.0], [1.0, 3.0], [0.0, 1.0], [4.0, 4.0], [0.5, 2.0]]),
        );
        self::assertSame([], Intervals::union([[2.0, 2.0]]));
    }

    public function test_taking_away_and_what_is_in_both_make_up_the_whole(): void
    {
        mt_srand(3);
        for ($i = 0; $i < 200; $i++) {
            $a = Intervals::union(self::some());
            $b = Intervals::union(self::some());
            self::assertEqualsWithDelta(
                Intervals::length($a),
                Intervals::length(Intervals::minus($a, $b)) + Intervals::length(Intervals::both($a, $b)),
                1e-9,
            );
        }
    }

    /** Asked one by one, a place is in what is left where it was in the one and not in the other. */
    public function test_places_are_in_what_is_left_and_in_what_both_hold(): void
    {
        mt_srand(4);
        $in = static fn (array $stretches, float $x): bool => array_filter(
            $stretches,
            static fn (array $one): bool => $one[0] < $x && $x < $one[1],
        ) !== [];
        for ($i = 0; $i < 100; $i++) {
            [$some, $others] = [self::some(), self::some()];
            [$a, $b] = [Intervals::union($some), Intervals::union($others)];
            [$left, $both] = [Intervals::minus($a, $b), Intervals::both($a, $b)];
            for ($k = 0; $k < 120; $k++) {
                $x = $k + 0.037;
                self::assertSame($in($some, $x), $in($a, $x));
                self::assertSame(
                    [$in($a, $x) && ! $in($b, $x), $in($a, $x) && $in($b, $x)],
                    [$in($left, $x), $in($both, $x)],
                    "{$x} of case {$i}",
                );
            }
            foreach ([...$left, ...$both] as [$from, $to]) {
                self::assertLessThan($to, $from, 'none is empty');
            }
        }
        self::assertSame(
            [[0.0, 4.0]],
            Intervals::minus([[0.0, 4.0]], [[4.0, 6.0], [9.0, 9.5]]),
            'what only touches takes nothing away',
        );
        self::assertSame([[0.0, 4.0]], Intervals::minus([[0.0, 4.0]], []));
    }

    public function test_a_distance_along_leads_into_the_stretches(): void
    {
        self::assertSame(
            [1.0, 6.0, 6.0],
            array_map(static fn (float $far): float => Intervals::at([[0.0, 1.0], [4.0, 6.0]], $far), [1.0, 3.0, 99.0]),
            'the end of a stretch is on it, and past the last is its end',
        );
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
