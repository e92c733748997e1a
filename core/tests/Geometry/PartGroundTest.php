<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Nearness;
use HonestCore\Geometry\PartGround;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(PartGround::class)]
#[CoversClass(Nearness::class)]
final class PartGroundTest extends TestCase
{
    /** A comb of three teeth with a hole in its back, in degrees: squares that cut it make it fall apart. */
    private const COMB = [
        'type' => 'Polygon',
        'coordinates' => [
            [
                [-76.282, 42.914], [-76.2812, 42.914], [-76.2812, 42.9148], [-76.2808, 42.9148], [-76.2808, 42.914],
                [-76.2800, 42.914], [-76.2800, 42.9148], [-76.2796, 42.9148], [-76.2796, 42.914], [-76.2788, 42.914],
                [-76.2788, 42.9158], [-76.282, 42.9158], [-76.282, 42.914],
            ],
            [[-76.2806, 42.9151], [-76.2802, 42.9151], [-76.2802, 42.9155], [-76.2806, 42.9155], [-76.2806, 42.9151]],
        ],
    ];

    public function test_cells_part_the_ground_without_gap_or_overlap(): void
    {
        $boundary = Boundary::fromGeoJson(json_encode(self::COMB, JSON_THROW_ON_ERROR));
        $box = $boundary->polygons[0]->box;
        $dice = new Dice(4);
        foreach ([2, 3, 5] as $n) {
            $parts = [];
            for ($i = 0; $i < $n; $i++) {
                for ($j = 0; $j < $n; $j++) {
                    $parts[] = PartGround::ofCell(self::COMB, [self::square($boundary, $i / $n, $j / $n, 1 / $n)]);
                }
            }
            $area = array_sum(array_map(static fn (PartGround $part): float => $part->areaM2(), $parts));
            self::assertEqualsWithDelta($boundary->areaM2(), $area, 0.5, "{$n} by {$n}");
            for ($k = 0; $k < 300; $k++) {
                $x = $box->west + $dice->share() * ($box->east - $box->west);
                $y = $box->south + $dice->share() * ($box->north - $box->south);
                $in = array_filter($parts, static fn (PartGround $part): bool => self::holds($part, $boundary, $x, $y));
                self::assertCount($boundary->polygons[0]->contains($x, $y) ? 1 : 0, $in);
            }
        }
    }

    public function test_ground_that_falls_apart_becomes_polygons_that_do_not_cross_themselves(): void
    {
        $boundary = Boundary::fromGeoJson(json_encode(self::COMB, JSON_THROW_ON_ERROR));
        $teeth = PartGround::ofCell(self::COMB, [self::square($boundary, 0.0, -0.7, 1.0)])->geoJson();
        self::assertCount(3, $teeth['coordinates']);
        // Refused where rings cross, touch or overlap.
        Boundary::fromGeoJson(json_encode($teeth, JSON_THROW_ON_ERROR));
        $back = PartGround::ofCell(self::COMB, [self::square($boundary, 0.0, 0.5, 1.0)])->geoJson();
        self::assertSame([1, 2], [count($back['coordinates']), count($back['coordinates'][0])]);
    }

    public function test_squares_that_share_a_side_are_one_piece(): void
    {
        $boundary = Boundary::fromGeoJson(json_encode(self::COMB, JSON_THROW_ON_ERROR));
        $pairs = [
            'a row' => [[0.0, 0.5], [0.25, 0.5]],
            'an L' => [[0.0, 0.25], [0.0, 0.5], [0.25, 0.5]],
            'all round the hole' => [[0.25, 0.5], [0.5, 0.5], [0.25, 0.75], [0.5, 0.75]],
        ];
        foreach ($pairs as $what => $places) {
            $squares = array_map(static fn (array $at): array => self::square($boundary, $at[0], $at[1], 0.25), $places);
            $one = PartGround::ofCell(self::COMB, $squares);
            self::assertCount(1, $one->geoJson()['coordinates'], $what);
            // Refused where rings cross, touch or overlap.
            Boundary::fromGeoJson(json_encode($one->geoJson(), JSON_THROW_ON_ERROR));
            $apart = array_sum(array_map(
                static fn (array $ring): float => PartGround::ofCell(self::COMB, [$ring])->areaM2(),
                $squares,
            ));
            self::assertEqualsWithDelta($apart, $one->areaM2(), 0.05, $what);
        }
    }

    public function test_a_zone_keeps_its_hole(): void
    {
        $zone = PartGround::ofZone(self::COMB['coordinates']);
        $whole = Boundary::fromGeoJson(json_encode(self::COMB, JSON_THROW_ON_ERROR))->areaM2();
        self::assertEqualsWithDelta($whole, $zone->areaM2(), 0.01);
        self::assertCount(2, $zone->geoJson()['coordinates'][0]);
    }

    public function test_what_is_near(): void
    {
        $creek = static fn (float $south): array => [
            'type' => 'LineString',
            'coordinates' => [[-76.29, $south], [-76.27, $south]],
        ];
        // A thousandth of a degree of latitude is 111 m.
        self::assertTrue(Nearness::within(self::COMB, $creek(42.9135), 100.0));
        self::assertFalse(Nearness::within(self::COMB, $creek(42.9125), 100.0));
        self::assertTrue(Nearness::within(self::COMB, ['type' => 'Point', 'coordinates' => [-76.2815, 42.9150]], 5.0));
    }

    /** @return list<array{float, float}> closed, degrees: shares of the box about the ground */
    private static function square(Boundary $boundary, float $east, float $north, float $side): array
    {
        $box = $boundary->polygons[0]->box;
        $w = $box->west + $east * ($box->east - $box->west);
        $s = $box->south + $north * ($box->north - $box->south);
        $e = $w + $side * ($box->east - $box->west);
        $n = $s + $side * ($box->north - $box->south);

        return array_map($boundary->plane->toDegrees(...), [[$w, $s], [$e, $s], [$e, $n], [$w, $n], [$w, $s]]);
    }

    private static function holds(PartGround $part, Boundary $boundary, float $x, float $y): bool
    {
        $polygons = $part->geoJson()['coordinates'];
        foreach ($polygons as $rings) {
            $inside = false;
            foreach ($rings as $ring) {
                $points = array_map($boundary->plane->toMetres(...), $ring);
                foreach ($points as $i => $point) {
                    $before = $points[$i === 0 ? count($points) - 1 : $i - 1];
                    if ($y < $before[1] !== $point[1] > $y
                        && $x < (($before[0] - $point[0]) * ($y - $point[1])) / ($before[1] - $point[1]) + $point[0]) {
                        $inside = ! $inside;
                    }
                }
            }
            if ($inside) {
                return true;
            }
        }

        return false;
    }
}
