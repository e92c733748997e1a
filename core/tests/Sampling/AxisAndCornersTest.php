<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Polygon;
use HonestCore\Sampling\CornersAndMiddle;
use HonestCore\Sampling\Draw;
use HonestCore\Sampling\MainAxis;
use HonestCore\Sampling\Strips;
use HonestCore\Sampling\Zigzag;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A bed of known length and width, turned: its axis, its corners and its middle must turn with it. */
final class AxisAndCornersTest extends TestCase
{
    private const LENGTH = 60.0;

    private const WIDTH = 20.0;

    /** @return iterable<string, array{float}> */
    public static function turns(): iterable
    {
        foreach ([0.0, 0.4, 1.0, M_PI / 2 - 0.01, -0.3, -1.2] as $turn) {
            yield "turned by {$turn}" => [$turn];
        }
    }

    #[DataProvider('turns')]
    public function test_the_axis_runs_along_the_bed(float $turn): void
    {
        $axis = MainAxis::of(Strips::of(self::bed($turn), 2000)) ?? self::fail('no axis');

        self::assertEqualsWithDelta(0.0, sin($axis->angle - $turn), 0.005, 'along it, either way');
        self::assertEqualsWithDelta([7.0, -3.0], [$axis->x, $axis->y], 0.05);
        self::assertEqualsWithDelta(self::LENGTH * self::WIDTH, $axis->areaM2, 2.0);
        self::assertEqualsWithDelta(self::LENGTH, $axis->length(), 0.3, 'from end to end');
        self::assertEqualsWithDelta([-self::LENGTH / 2, self::LENGTH / 2], [$axis->from, $axis->to], 0.2);
        [$x, $y] = $axis->at(10.0);
        self::assertEqualsWithDelta(10.0, hypot($x - $axis->x, $y - $axis->y), 1e-9);
    }

    public function test_what_is_as_wide_as_long_has_an_axis_to_the_east_and_nothing_has_none(): void
    {
        self::assertSame(
            0.0,
            (MainAxis::of(Strips::of(self::bed(0.7, 30.0, 30.0), 800)) ?? self::fail('no axis'))->angle,
        );
        self::assertNull(
            MainAxis::of(
                Strips::of(
                    Ground::of(
                        [new Polygon([[[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]]])],
                        6.0,
                        KeepAway::nothing(),
                    ),
                    100,
                ),
            ),
            'all of it lies in the margin',
        );
    }

    #[DataProvider('turns')]
    public function test_four_corners_lie_four_fifths_of_the_way_out_and_one_core_in_the_middle(float $turn): void
    {
        $bed = self::bed($turn);
        $axis = MainAxis::of(Strips::of($bed, 2000)) ?? self::fail('no axis');
        $local = self::local(CornersAndMiddle::lay($bed, $axis, 5, new Draw(3)), $turn);
        $signs = array_map(
            static fn (array $p): string => hypot($p[0], $p[1]) < 0.5
                ? 'middle'
                : ($p[0] > 0 ? 'far' : 'near').($p[1] > 0 ? ' left' : ' right'),
            $local,
        );

        sort($signs);
        self::assertSame(['far left', 'far right', 'middle', 'near left', 'near right'], $signs);
        foreach ($local as [$along, $across]) {
            if (hypot($along, $across) > 0.5) {
                self::assertEqualsWithDelta(
                    [(0.8 * self::LENGTH) / 2, (0.8 * self::WIDTH) / 2],
                    [abs($along), abs($across)],
                    0.5,
                );
            }
        }
    }

    /** Further rounds lie up to a fifth nearer the middle, on the same diagonals, and never where the first lie. */
    public function test_further_rounds_lie_nearer(): void
    {
        $bed = self::bed(0.4);
        $axis = MainAxis::of(Strips::of($bed, 2000)) ?? self::fail('no axis');
        foreach (range(1, 20) as $seed) {
            $shares = array_map(
                static fn (array $p): float => hypot($p[0], $p[1]) / hypot(self::LENGTH / 2, self::WIDTH / 2),
                self::local(CornersAndMiddle::lay($bed, $axis, 10, new Draw($seed)), 0.4),
            );
            sort($shares);
            self::assertCount(10, $shares);
            self::assertEqualsWithDelta([0.8, 0.8, 0.8, 0.8], array_slice($shares, 6), 0.01);
            foreach (array_slice($shares, 2, 4) as $share) {
                self::assertGreaterThan(0.57, $share);
                self::assertLessThan(0.785, $share);
            }
        }
    }

    /**
     * @return iterable<string, array{float, int, int|null, int}> turn, cores, legs that are asked for, legs that are
     *                                                            walked
     */
    public static function walks(): iterable
    {
        yield 'a W' => [0.0, 12, Zigzag::W_LEGS, 4];
        yield 'a W, turned' => [0.9, 17, Zigzag::W_LEGS, 4];
        // The square root of 1.6 × 15 × 60² / 1200 is 8.5, and 8.49 in truth, as the axis is a little short of 60 m.
        yield 'a zigzag of 15 cores' => [-0.4, 15, null, 8];
        yield 'a zigzag of 6 cores' => [0.3, 6, null, 5];
        yield 'as few legs as cores allow' => [0.3, 3, null, 2];
        yield 'two legs at the least' => [0.3, 2, null, 2];
    }

    /**
     * Even steps along a walk that swings from one side to the other, a tenth of the width inside either and 4 %
     * inside the ends.
     */
    #[DataProvider('walks')]
    public function test_a_walk_swings_from_side_to_side_in_even_steps(
        float $turn,
        int $cores,
        ?int $asked,
        int $legs,
    ): void {
        $bed = self::bed($turn);
        $axis = MainAxis::of(Strips::of($bed, 2000)) ?? self::fail('no axis');
        foreach ([1, 2, 3, 4, 5, 6] as $seed) {
            $local = self::local(Zigzag::lay($bed, $axis, $cores, $asked, new Draw($seed)), $turn);
            self::assertCount($cores, $local);
            if (cos($axis->angle - $turn) < 0) {
                $local = array_map(static fn (array $p): array => [-$p[0], -$p[1]], $local);
            }
            // How far along the walk each core stands, in legs; and where a swing between the sides is there.
            $at = array_map(static fn (array $p): float => (($p[0] / self::LENGTH + 0.46) / 0.92) * $legs, $local);
            $swing = static fn (float $leg): float => 0.4 * self::WIDTH * (2 * abs(fmod($leg, 2) - 1) - 1);
            $side = $local[0][1] * $swing($at[0]) > 0 ? 1 : -1;
            foreach ($local as $i => [, $across]) {
                self::assertEqualsWithDelta($side * $swing($at[$i]), $across, 0.25, "core {$i}, seed {$seed}");
                $i === 0 ||
                    self::assertEqualsWithDelta($legs / $cores, $at[$i] - $at[$i - 1], 0.03, 'a step is a step');
            }
            self::assertLessThan($legs / $cores, $at[0] - 1e-3);
        }
    }

    /**
     * @param list<array{float, float}> $places
     * @return list<array{float, float}> along and across the bed, from its middle
     */
    private static function local(array $places, float $turn): array
    {
        return array_map(
            static fn (array $p): array => [
                ($p[0] - 7) * cos($turn) + ($p[1] + 3) * sin($turn),
                -($p[0] - 7) * sin($turn) + ($p[1] + 3) * cos($turn),
            ],
            $places,
        );
    }

    private static function bed(float $turn, float $length = self::LENGTH, float $width = self::WIDTH): Ground
    {
        $corner = static fn (float $along, float $across): array => [
            7 + $along * cos($turn) - $across * sin($turn),
            -3 + $along * sin($turn) + $across * cos($turn),
        ];
        [$l, $w] = [$length / 2, $width / 2];

        return Ground::of(
            [new Polygon([[$corner(-$l, -$w), $corner($l, -$w), $corner($l, $w), $corner(-$l, $w)]])],
            0.0,
            KeepAway::nothing(),
        );
    }
}
