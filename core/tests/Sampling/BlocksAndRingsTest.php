<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Polygon;
use HonestCore\Sampling\Bucket;
use HonestCore\Sampling\Draw;
use HonestCore\Sampling\EqualBlocks;
use HonestCore\Sampling\MainAxis;
use HonestCore\Sampling\RandomCores;
use HonestCore\Sampling\RoundMiddle;
use HonestCore\Sampling\Strips;
use HonestCore\Sampling\TransectLine;
use HonestCore\Sampling\WalkTime;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Where cores of each pattern must lie on ground that can be reckoned by hand. */
#[CoversClass(Draw::class)]
#[CoversClass(Strips::class)]
#[CoversClass(Bucket::class)]
final class BlocksAndRingsTest extends TestCase
{
    /**
     * Sixteen blocks of a square of 40 m are squares of 10 m, walked to and fro from the south-west: their middles are
     * a grid.
     */
    public function test_blocks_of_a_square_are_a_grid_walked_to_and_fro(): void
    {
        $square = self::ground([[0, 0], [40, 0], [40, 40], [0, 40]]);
        $places = EqualBlocks::lay($square, Strips::of($square, 400), 16, null);
        $expected = [];
        foreach ([5, 15, 25, 35] as $row => $y) {
            foreach ($row % 2 === 0 ? [5, 15, 25, 35] : [35, 25, 15, 5] as $x) {
                $expected[] = [$x, $y];
            }
        }

        self::assertCount(16, $places);
        foreach ($places as $i => $place) {
            self::assertEqualsWithDelta($expected[$i], $place, 0.1, "block {$i}");
        }
    }

    /**
     * One core lies in each block, and over many draws everywhere in it: mean and spread are those of an even chance.
     */
    public function test_a_core_lies_anywhere_in_its_block_and_in_no_other(): void
    {
        $square = self::ground([[0, 0], [40, 0], [40, 40], [0, 40]]);
        $strips = Strips::of($square, 400);
        [$east, $north] = [[], []];
        for ($seed = 1; $seed <= 300; $seed++) {
            foreach (EqualBlocks::lay($square, $strips, 16, new Draw($seed)) as $i => [$x, $y]) {
                $row = intdiv($i, 4);
                $column = $row % 2 === 0 ? $i % 4 : 3 - ($i % 4);
                self::assertTrue(
                    $x >= 10 * $column - 0.05 &&
                        $x <= 10 * $column + 10.05 &&
                        $y >= 10 * $row - 0.05 &&
                        $y <= 10 * $row + 10.05,
                    "core {$i} at {$x}, {$y}",
                );
                $east[] = $x - 10 * $column;
                $north[] = $y - 10 * $row;
            }
        }
        foreach ([$east, $north] as $along) {
            $mean = array_sum($along) / count($along);
            self::assertEqualsWithDelta(5.0, $mean, 4 * sqrt(100 / 12 / count($along)));
            self::assertEqualsWithDelta(
                100 / 12,
                array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $along)) / count($along),
                0.5,
                'the variance of an even chance over 10 m',
            );
        }
    }

    /** Blocks of ground of any shape have equal areas: cores thrown over all of it fall into each alike. */
    public function test_blocks_of_a_triangle_hold_equal_shares(): void
    {
        $triangle = self::ground([[0, 0], [120, 0], [0, 80]]);
        $strips = Strips::of($triangle, 800);
        $middles = EqualBlocks::lay($triangle, $strips, 12, null);
        self::assertCount(12, $middles);
        foreach ($middles as $middle) {
            self::assertTrue($triangle->contains(...$middle));
        }
        // The mean of the blocks' middles is the middle of the whole, as it is only where they weigh alike: a third of
        // either side.
        self::assertEqualsWithDelta(
            [40.0, 80 / 3],
            [array_sum(array_column($middles, 0)) / 12, array_sum(array_column($middles, 1)) / 12],
            0.1,
        );
    }

    /** The middle of a block that lies in a pond is moved to the nearest usable place of the block. */
    public function test_a_middle_that_is_not_usable_moves_aside(): void
    {
        $pond = Ground::of(
            [
                new Polygon([
                    [[0.0, 0.0], [20.0, 0.0], [20.0, 20.0], [0.0, 20.0]],
                    [[8.0, 4.0], [14.0, 4.0], [14.0, 16.0], [8.0, 16.0]],
                ]),
            ],
            0.0,
            KeepAway::nothing(),
        );
        $places = EqualBlocks::lay($pond, Strips::of($pond, 400), 1, null);
        self::assertCount(1, $places);
        self::assertTrue($pond->contains(...$places[0]));
        self::assertLessThan(
            3.5,
            hypot($places[0][0] - 9.7, $places[0][1] - 10.0),
            'not far from where it would have been',
        );
    }

    public function test_a_ring_lies_six_metres_about_the_middle_and_less_in_a_small_cell(): void
    {
        foreach ([[100.0, 6.0], [10.0, sqrt(100 / M_PI) / 2]] as [$side, $radius]) {
            $cell = self::ground([[0, 0], [$side, 0], [$side, $side], [0, $side]]);
            $strips = Strips::of($cell, 400);
            $axis = MainAxis::of($strips) ?? self::fail('no axis');
            $places = RoundMiddle::lay($cell, $strips, $axis, 8, new Draw(4));
            $angles = [];
            foreach ($places as [$x, $y]) {
                self::assertEqualsWithDelta($radius, hypot($x - $side / 2, $y - $side / 2), 0.02);
                $angles[] = atan2($y - $side / 2, $x - $side / 2);
            }
            sort($angles);
            for ($i = 1; $i < 8; $i++) {
                self::assertEqualsWithDelta(M_PI / 4, $angles[$i] - $angles[$i - 1], 0.02, 'even steps round the ring');
            }
        }
    }

    /** Where a ring begins is drawn from the whole circle, so that no side of a cell is passed over by all of them. */
    public function test_rings_begin_anywhere(): void
    {
        $cell = self::ground([[0, 0], [100, 0], [100, 100], [0, 100]]);
        $strips = Strips::of($cell, 400);
        $axis = MainAxis::of($strips) ?? self::fail('no axis');
        $sides = [0, 0, 0, 0];
        foreach (range(1, 200) as $seed) {
            [[$x, $y]] = RoundMiddle::lay($cell, $strips, $axis, 1, new Draw($seed));
            $sides[($x > 50 ? 1 : 0) + ($y > 50 ? 2 : 0)]++;
        }

        self::assertGreaterThan(30, min($sides), '50 of 200 on each side by chance');
    }

    /** Places of the ring that are not usable are drawn anew near the middle, never outside the ground. */
    public function test_a_ring_over_a_pond_keeps_to_the_ground(): void
    {
        $cell = Ground::of(
            [
                new Polygon([
                    [[0.0, 0.0], [60.0, 0.0], [60.0, 60.0], [0.0, 60.0]],
                    [[30.0, 20.0], [45.0, 20.0], [45.0, 40.0], [30.0, 40.0]],
                ]),
            ],
            0.0,
            KeepAway::nothing(),
        );
        $strips = Strips::of($cell, 400);
        $axis = MainAxis::of($strips) ?? self::fail('no axis');
        foreach (range(1, 12) as $seed) {
            $places = RoundMiddle::lay($cell, $strips, $axis, 12, new Draw($seed));
            self::assertCount(12, $places);
            foreach ($places as $place) {
                self::assertTrue($cell->contains(...$place));
                self::assertLessThanOrEqual(
                    18.0 + 1e-6,
                    hypot($place[0] - $axis->x, $place[1] - $axis->y),
                    'within three times the ring',
                );
            }
        }
    }

    /**
     * A transect takes the longest way: the diagonal of a square, nearly, and the length of a bed; its steps are even.
     */
    public function test_a_transect_takes_the_longest_line_in_even_steps(): void
    {
        foreach ([[40.0, 40.0, 56.5], [60.0, 6.0, 60.0]] as [$length, $width, $longest]) {
            $ground = self::ground([[0, 0], [$length, 0], [$length, $width], [0, $width]]);
            $axis = MainAxis::of(Strips::of($ground, 400)) ?? self::fail('no axis');
            $places = TransectLine::lay($ground, $axis, 10, new Draw(6));
            self::assertCount(10, $places);
            for ($i = 1; $i < 10; $i++) {
                self::assertEqualsWithDelta(
                    $longest / 10,
                    hypot($places[$i][0] - $places[$i - 1][0], $places[$i][1] - $places[$i - 1][1]),
                    0.1,
                );
            }
            [$x, $y] = $places[0];
            $line = atan2($places[9][1] - $y, $places[9][0] - $x);
            self::assertEqualsWithDelta(
                0.0,
                ($length / 2 - $x) * sin($line) - ($width / 2 - $y) * cos($line),
                0.05,
                'through the middle',
            );
        }
    }

    public function test_random_cores_are_as_likely_anywhere(): void
    {
        $l = self::ground([[0, 0], [30, 0], [30, 10], [10, 10], [10, 40], [0, 40]]);
        $places = RandomCores::lay($l, Strips::of($l, 400), 4000, new Draw(8));
        $foot = count(array_filter($places, static fn (array $p): bool => $p[0] > 10));
        self::assertEqualsWithDelta(
            (4000 * 200) / 600,
            $foot,
            4 * sqrt(4000 * (1 / 3) * (2 / 3)),
            'a third of the L lies in its foot',
        );
        $top = count(array_filter($places, static fn (array $p): bool => $p[1] > 25));
        self::assertEqualsWithDelta((4000 * 150) / 600, $top, 4 * sqrt(4000 * 0.25 * 0.75));
    }

    public function test_strips_measure_what_can_be_measured_by_hand(): void
    {
        self::assertEqualsWithDelta(
            (120 * 80) / 2,
            Strips::of(self::ground([[0, 0], [120, 0], [0, 80]]), 200)->areaM2(),
            1e-6,
        );
        $disc = self::ground(
            array_map(
                static fn (int $k): array => [50 * cos(($k * M_PI) / 180), 50 * sin(($k * M_PI) / 180)],
                range(0, 359),
            ),
        );
        self::assertEqualsWithDelta(
            180 * 50 ** 2 * sin(M_PI / 180),
            Strips::of($disc, 300)->areaM2(),
            0.5,
            'a polygon of 360 corners',
        );
        self::assertSame(
            0.0,
            (float) Strips::of(
                Ground::of([new Polygon([[[0.0, 0.0], [4.0, 0.0], [4.0, 4.0], [0.0, 4.0]]])], 3.0, KeepAway::nothing()),
                50,
            )->areaM2(),
            'all of it lies in the margin',
        );
    }

    public function test_minutes_and_their_limits(): void
    {
        self::assertEqualsWithDelta(
            (1000 / 1000 / 4) * 60 + (15 * 2 * 30) / 60,
            WalkTime::minutes(1000, 15, 2, 4.0, 30.0),
            1e-12,
        );
        self::assertEqualsWithDelta(1.0, WalkTime::minutes(1000, 0, 1, 60.0, 3600.0), 1e-12, 'the ends are accepted');
        self::assertSame(0.0, WalkTime::minutes(0, 99, 3, 4.0, 0.0));
        foreach (
            [[0.0, 30.0], [60.1, 30.0], [NAN, 30.0], [4.0, -1.0], [4.0, 3600.1], [4.0, NAN]] as [$speed, $seconds]
        ) {
            try {
                WalkTime::minutes(100, 5, 1, $speed, $seconds);
                self::fail("{$speed} km/h and {$seconds} s were accepted");
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    public function test_a_bucket_that_is_just_full_holds(): void
    {
        $table = Bucket::holding(0.0);
        self::assertFalse(Bucket::holding($table->bucketMl)->overflows());
        self::assertTrue(Bucket::holding($table->bucketMl + 0.1)->overflows());
        self::assertFalse(Bucket::holding($table->labBagMl)->isTooLittleForTheLab());
        self::assertTrue(Bucket::holding($table->labBagMl - 0.1)->isTooLittleForTheLab());
        self::assertSame(
            [0.0, -$table->labBagMl - $table->benchBagMl],
            [Bucket::holding($table->labBagMl + $table->benchBagMl)->toSpareMl(), $table->toSpareMl()],
        );
    }

    /** @param list<array{int|float, int|float}> $ring */
    private static function ground(array $ring): Ground
    {
        $corners = array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], $ring);

        return Ground::of(
            [new Polygon([$corners === [] ? self::fail('no ring') : $corners])],
            0.0,
            KeepAway::nothing(),
        );
    }
}
