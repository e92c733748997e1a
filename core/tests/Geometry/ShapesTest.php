<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Box;
use HonestCore\Geometry\Capsule;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Line;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Geometry\PictureFit;
use HonestCore\Geometry\Polygon;
use PHPUnit\Framework\TestCase;

/** Boxes, capsules and parts of ground against points that are asked one by one. */
final class ShapesTest extends TestCase
{
    public function test_a_line_lies_in_a_box_just_where_its_points_do(): void
    {
        mt_srand(61);
        for ($i = 0; $i < 200; $i++) {
            [$west, $south] = [mt_rand(-60, 40), mt_rand(-60, 40)];
            $box = new Box($west, $south, $west + mt_rand(1, 50), $south + mt_rand(1, 50));
            $line =
                $i % 10 === 0
                    ? Line::eastward(mt_rand(-60, 60))
                    : Line::towards(mt_rand(-60, 60), mt_rand(-60, 60), mt_rand(0, 628) / 100);
            self::agrees(
                $box->onLine($line),
                static fn (float $x, float $y): bool => $box->contains($x, $y),
                $line,
                "box {$i}",
            );
        }
    }

    public function test_a_line_lies_in_a_capsule_just_where_its_points_do(): void
    {
        mt_srand(62);
        for ($i = 0; $i < 300; $i++) {
            [$ax, $ay] = [mt_rand(-40, 40), mt_rand(-40, 40)];
            $capsule = new Capsule(
                $ax,
                $ay,
                $i % 7 === 0 ? $ax : mt_rand(-40, 40),
                $i % 7 === 0 ? $ay : mt_rand(-40, 40),
                mt_rand(0, 300) / 10,
            );
            $line =
                $i % 10 === 0
                    ? Line::eastward(mt_rand(-60, 60))
                    : Line::towards(mt_rand(-60, 60), mt_rand(-60, 60), mt_rand(0, 628) / 100);
            self::agrees(
                $capsule->onLine($line),
                static fn (float $x, float $y): bool => $capsule->contains($x, $y),
                $line,
                "capsule {$i}",
            );
        }
    }

    /** What lies in a capsule lies in the box that is asked first, and its ends and sides touch it. */
    public function test_a_capsule_knows_its_box(): void
    {
        $capsule = new Capsule(-10.0, 5.0, 30.0, -20.0, 8.0);
        self::assertSame(
            [-18.0, 38.0, -28.0, 13.0],
            [$capsule->west, $capsule->east, $capsule->south, $capsule->north],
        );
        self::assertTrue($capsule->contains(-17.99, 5.0));
        self::assertFalse($capsule->contains(-18.0, 5.0), 'at the distance itself a core may stand');
        self::assertTrue($capsule->contains(30.0, -27.99));
        self::assertTrue($capsule->contains(10.0, -7.5), 'on the way between');
    }

    public function test_boxes_meet_where_they_touch(): void
    {
        $box = new Box(0.0, 0.0, 10.0, 4.0);
        self::assertSame([10.0, 4.0], [$box->width(), $box->height()]);
        self::assertTrue($box->meets(10.0, 4.0, 12.0, 9.0), 'at a corner');
        self::assertTrue($box->meets(-5.0, 1.0, 0.0, 2.0));
        foreach (
            [
                [10.1, 0.0, 12.0, 4.0],
                [-3.0, 0.0, -0.1, 4.0],
                [0.0, 4.1, 10.0, 5.0],
                [0.0, -2.0, 10.0, -0.1],
            ] as [$west, $south, $east, $north]
        ) {
            self::assertFalse($box->meets($west, $south, $east, $north));
        }
        self::assertTrue(
            $box->contains(0.0, 0.0) &&
                $box->contains(10.0, 4.0) &&
                $box->contains(0.0, 4.0) &&
                $box->contains(10.0, 0.0),
            'its corners are in it',
        );
        self::assertFalse(
            $box->contains(10.0001, 2.0) ||
                $box->contains(-0.0001, 2.0) ||
                $box->contains(2.0, 4.0001) ||
                $box->contains(2.0, -0.0001),
        );
        self::assertSame([[0.0, 4.0], [10.0, 4.0], [10.0, 0.0], [0.0, 0.0]], $box->ring());
        self::assertNull($box->onLine(Line::towards(0.0, 5.0, 0.0)));
    }

    /** Whichever short cuts it takes, a part of the ground is the ground, inside its boxes and nowhere else. */
    public function test_a_part_of_the_ground_is_the_ground_inside_its_boxes(): void
    {
        mt_srand(63);
        $ground = self::ground();
        for ($i = 0; $i < 150; $i++) {
            $boxes = array_map(static function (): Box {
                [$west, $south] = [mt_rand(-120, 100), mt_rand(-120, 100)];

                return new Box($west, $south, $west + mt_rand(2, 40), $south + mt_rand(2, 40));
            }, range(0, mt_rand(0, 2)));
            $part = $ground->within($boxes);
            for ($k = 0; $k < 60; $k++) {
                $box = $boxes[$k % count($boxes)];
                [$x, $y] =
                    $k % 3 === 0
                        ? [mt_rand(-1300, 1300) / 10, mt_rand(-1300, 1300) / 10]
                        : [
                            $box->west + ($box->width() * mt_rand(0, 1000)) / 1000,
                            $box->south + ($box->height() * mt_rand(0, 1000)) / 1000,
                        ];
                $inside = array_filter($boxes, static fn (Box $one): bool => $one->contains($x, $y)) !== [];
                self::assertSame(
                    $inside && $ground->contains($x, $y),
                    $part->contains($x, $y),
                    "part {$i} at {$x}, {$y}",
                );
            }
        }
    }

    public function test_a_picture_is_not_fitted_to_places_on_one_line_of_the_ground(): void
    {
        $plane = new LocalPlane(10, 50);
        $at = static function (float $x, float $y, float $e, float $n) use ($plane): array {
            [$longitude, $latitude] = $plane->toDegrees([$e, $n]);

            return ['x' => $x, 'y' => $y, 'longitude' => $longitude, 'latitude' => $latitude];
        };
        foreach (
            [[[10.0, 5.0], [20.0, 10.0]], [[10.0, -5.0], [20.0, -10.0]], [[0.0, 10.0], [0.0, 20.0]]] as [[$e1, $n1], [$e2, $n2]]
        ) {
            try {
                PictureFit::of([$at(0, 0, 0, 0), $at(100, 0, $e1, $n1), $at(0, 100, $e2, $n2)]);
                self::fail('accepted');
            } catch (CoreError $error) {
                self::assertStringContainsString('must not lie on one line', $error->getMessage());
            }
        }
        self::assertEqualsWithDelta(
            0.1,
            PictureFit::of([$at(0, 0, 0, 0), $at(100, 0, 10, 0), $at(0, 100, 0, -8)])->metresPerPixel(),
            1e-4,
            'the coarser of its two scales',
        );
    }

    /**
     * @param array{float, float}|null $stretch
     * @param callable(float, float): bool $contains
     */
    private static function agrees(?array $stretch, callable $contains, Line $line, string $which): void
    {
        for ($t = -160.37; $t < 160; $t += 0.83) {
            if ($stretch !== null && min(abs($t - $stretch[0]), abs($t - $stretch[1])) < 1e-6) {
                continue;
            }
            self::assertSame(
                $contains(...$line->at($t)),
                $stretch !== null && $t > $stretch[0] && $t < $stretch[1],
                "{$which} at {$t}",
            );
        }
    }

    /** Two pieces, one with a hole, kept away from a road and a shed. */
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
        $one = new Polygon([
            [[-100.0, -100.0], [20.0, -100.0], [20.0, 100.0], [-100.0, 100.0]],
            [[-60.0, -60.0], [-30.0, -60.0], [-45.0, -15.0]],
        ]);
        $other = new Polygon([[[35.0, -90.0], [100.0, -90.0], [100.0, 60.0], [35.0, 20.0]]]);

        return Ground::of([$one, $other], 6, $road->and($shed));
    }
}
