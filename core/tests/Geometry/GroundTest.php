<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Box;
use HonestCore\Geometry\Capsule;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Line;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Geometry\Polygon;
use HonestCore\Geometry\RingCheck;
use HonestCore\Sampling\Strips;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Lines cut by ground must agree with points asked one by one. */
#[CoversClass(KeepAway::class)]
#[CoversClass(LocalPlane::class)]
final class GroundTest extends TestCase
{
    public function test_a_line_is_usable_just_where_its_points_are(): void
    {
        mt_srand(21);
        $ground = self::ground();
        for ($i = 0; $i < 120; $i++) {
            $line = Line::towards(mt_rand(-90, 90), mt_rand(-90, 90), mt_rand(0, 628) / 100);
            $stretches = $ground->onLine($line);
            for ($k = 0; $k < 40; $k++) {
                $t = mt_rand(-20_000, 20_000) / 100;
                $inside =
                    array_filter($stretches, static fn (array $s): bool => $t > $s[0] + 1e-6 && $t < $s[1] - 1e-6) !==
                    [];
                $near =
                    array_filter(
                        $stretches,
                        static fn (array $s): bool => abs($t - $s[0]) <= 1e-6 || abs($t - $s[1]) <= 1e-6,
                    ) !== [];
                if (! $near) {
                    self::assertSame($ground->contains(...$line->at($t)), $inside, "line {$i} at {$t}");
                }
            }
        }
    }

    public function test_the_area_by_strips_is_that_of_points_thrown_at_random(): void
    {
        mt_srand(22);
        $ground = self::ground();
        $hits = 0;
        for ($i = 0; $i < 40_000; $i++) {
            $hits += $ground->contains(mt_rand(-1000, 1000) / 10, mt_rand(-1000, 1000) / 10) ? 1 : 0;
        }
        $area = Strips::of($ground, 200)->areaM2();

        self::assertEqualsWithDelta($area, $hits, 4 * sqrt($hits), '40,000 points on 40,000 m²');
    }

    public function test_cells_part_the_ground_without_rest(): void
    {
        $ground = self::ground();
        $sum = 0.0;
        for ($x = -100; $x < 100; $x += 40) {
            for ($y = -100; $y < 100; $y += 40) {
                $sum += Strips::of($ground->within([new Box($x, $y, $x + 40, $y + 40)]), 200)->areaM2();
            }
        }

        self::assertEqualsWithDelta(1.0, $sum / Strips::of($ground, 400)->areaM2(), 1e-3);
    }

    public function test_a_wider_distance_leaves_less(): void
    {
        $before = INF;
        foreach ([0.0, 5.0, 15.0, 30.0, 60.0] as $edge) {
            $area = Strips::of(Ground::of([self::square()], $edge, KeepAway::nothing()), 200)->areaM2();
            self::assertEqualsWithDelta(
                (200 - 2 * $edge) ** 2,
                $area,
                0.5,
                'a square stays a square inside its margin',
            );
            self::assertLessThan($before, $area);
            $before = $area;
        }
    }

    public function test_a_capsule_holds_what_lies_within_its_reach(): void
    {
        $capsule = new Capsule(0, 0, 30, 40, 10);

        foreach (
            [
                [15, 20, true],
                [-7, -7, true],
                [-8, -8, false],
                [36, 46, true],
                [38, 48, false],
                [9, 32, false],
                [22, 14, true],
            ] as [$x, $y, $inside]
        ) {
            self::assertSame($inside, $capsule->contains($x, $y), "{$x}, {$y}");
        }
        self::assertNull((new Capsule(0, 0, 1, 1, 0))->onLine(Line::eastward(0.5)), 'no reach keeps nothing away');
    }

    public function test_a_landmark_of_no_width_keeps_its_distance_all_round(): void
    {
        $plane = new LocalPlane(10, 50);
        $at = $plane->toDegrees([0.0, 0.0]);
        $away = KeepAway::fromGeoJson((string) json_encode(['type' => 'Point', 'coordinates' => $at]), $plane, 25);
        $area = Strips::of(Ground::of([self::square()], 0, $away), 400)->areaM2();

        self::assertEqualsWithDelta(40_000 - M_PI * 625, $area, 3);
        self::assertCount(
            0,
            array_filter(
                [0, 1, 2, 3],
                static fn (int $k): bool => Ground::of([self::square()], 0, $away)->contains(
                    24.9 * cos($k),
                    24.9 * sin($k),
                ),
            ),
        );
    }

    public function test_the_shoelace_of_a_polygon_with_a_hole(): void
    {
        $polygon = new Polygon([
            [[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]],
            [[2.0, 2.0], [4.0, 2.0], [4.0, 4.0], [2.0, 4.0]],
        ]);

        self::assertSame(96.0, $polygon->area());
        self::assertTrue($polygon->contains(5, 5));
        self::assertFalse($polygon->contains(3, 3));
    }

    public function test_a_crossing_is_found_wherever_it_hides(): void
    {
        mt_srand(23);
        for ($i = 0; $i < 60; $i++) {
            $ring = array_map(static function (int $k): array {
                $radius = 50 + mt_rand(0, 20);

                return [$radius * cos(($k * M_PI) / 20), $radius * sin(($k * M_PI) / 20)];
            }, range(0, 39));
            self::assertNull(RingCheck::selfCrossing($ring), 'a star about its middle never crosses itself');
            $k = mt_rand(0, 30);
            [$ring[$k], $ring[$k + 6]] = [$ring[$k + 6], $ring[$k]];
            self::assertNotNull(RingCheck::selfCrossing($ring));
        }
    }

    public function test_lengths_of_stretches(): void
    {
        self::assertSame(7.0, Intervals::length([[0.0, 3.0], [10.0, 14.0]]));
    }

    /** A square with a hole, a margin, a road across a corner and a shed. */
    private static function ground(): Ground
    {
        $plane = new LocalPlane(10, 50);
        $degrees = static fn (array $points): array => array_map(
            static fn (array $p): array => $plane->toDegrees([(float) $p[0], (float) $p[1]]),
            $points,
        );
        $road = KeepAway::fromGeoJson(
            (string) json_encode([
                'type' => 'LineString',
                'coordinates' => $degrees([[-120, 20], [-20, 130], [0, 160]]),
            ]),
            $plane,
            18,
        );
        $shed = KeepAway::fromGeoJson(
            (string) json_encode([
                'type' => 'Polygon',
                'coordinates' => [$degrees([[40, -70], [70, -70], [70, -40], [40, -40], [40, -70]])],
            ]),
            $plane,
            7,
        );

        return Ground::of([self::square([[[-20.0, -20.0], [10.0, -20.0], [0.0, 15.0]]])], 6, $road->and($shed));
    }

    /** @param list<non-empty-list<array{float, float}>> $holes */
    private static function square(array $holes = []): Polygon
    {
        return new Polygon([[[-100.0, -100.0], [100.0, -100.0], [100.0, 100.0], [-100.0, 100.0]], ...$holes]);
    }
}
