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
        self::assertSame(0.0, (MainAxis::of(Strips::of(self::bed(0.7, 30.0, 30.0), 800)) ?? self::fail('no axis'))->angle);
        self::assertNull(MainAxis::of(Strips::of(Ground::of([new Polygon([[[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]]])], 6.0, KeepAway::nothing()), 100)), 'all of it lies in the margin');
    }

    #[DataProvider('turns')]
    public function test_four_corners_lie_four_fifths_of_the_way_out_and_one_core_in_the_middle(float $turn): void
    {
        $bed = self::bed($turn);
        $axis = MainAxis::of(Strips::of($bed, 2000)) ?? self::fail('no axis');
        $local = self::local(CornersAndMiddle::lay($bed, $axis, 5, new Draw(3)), $turn);
        $signs = array_map(static fn (array $p): string => hypot($p[0], $p[1]) < 0.5 ? 'middle' : ($p[0] > 0 ? 'far' : 'near').($p[1] > 0 ? ' left' : ' right'), $local);

        sort($signs);
        self::assertSame(['far left', 'far right', 'middle', 'near left', 'near right'], $signs);
        foreach ($local as [$along, $across]) {
            if (hypot($along, $across) > 0.5) {
                self::assertEqualsWithDelta([0.8 * self::LENGTH / 2, 0.8 * self::WIDTH / 2], [abs($along), abs($across)], 0.5);
            }
        }
    }

    /** Further rounds lie up to a fifth nearer the middle, on the same diagonals, and never where the first lie. */
    public function test_further_rounds_lie_nearer(): void
    {
        $bed = self::bed(0.4);
        $axis = MainAxis::of(Strips::of($bed, 2000)) ?? self::fail('no axis');
        foreach (range(1, 20) as $seed) {
            $shares = array_map(static fn (array $p): float => hypot($p[0], $p[1]) / hypot(self::LENGTH / 2, self::WIDTH / 2), self::local(CornersAndMiddle::lay($bed, $axis, 10, new Draw($seed)), 0.4));
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
     * @param list<array{float, float}> $places
     * @return list<array{float, float}> along and across the bed, from its middle
     */
    private static function local(array $places, float $turn): array
    {
        return array_map(static fn (array $p): array => [($p[0] - 7) * cos($turn) + ($p[1] + 3) * sin($turn), -($p[0] - 7) * sin($turn) + ($p[1] + 3) * cos($turn)], $places);
    }

    private static function bed(float $turn, float $length = self::LENGTH, float $width = self::WIDTH): Ground
    {
        $corner = static fn (float $along, float $across): array => [7 + $along * cos($turn) - $across * sin($turn), -3 + $along * sin($turn) + $across * cos($turn)];
        [$l, $w] = [$length / 2, $width / 2];

        return Ground::of([new Polygon([[$corner(-$l, -$w), $corner($l, -$w), $corner($l, $w), $corner(-$l, $w)]])], 0.0, KeepAway::nothing());
    }
}
