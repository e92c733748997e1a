<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Geometry\PictureFit;
use PHPUnit\Framework\TestCase;

final class PictureFitTest extends TestCase
{
    public function test_two_places_turn_and_scale_the_picture(): void
    {
        mt_srand(51);
        $plane = new LocalPlane(-76.28, 42.91);
        for ($i = 0; $i < 40; $i++) {
            [$turn, $scale] = [mt_rand(0, 628) / 100, mt_rand(20, 300) / 100];
            $ground = static fn (float $x, float $y): array => $plane->toDegrees([
                $scale * ($x * cos($turn) + $y * sin($turn)),
                $scale * ($x * sin($turn) - $y * cos($turn)),
            ]);
            $fit = PictureFit::of([self::known(10, 20, $ground), self::known(900, 640, $ground)]);
            foreach ([[0, 0], [1000, 0], [0, 800], [500, 333]] as [$x, $y]) {
                self::assertEqualsWithDelta($ground($x, $y), $fit->place($x, $y), 1e-7, "turn {$turn}");
            }
            self::assertEqualsWithDelta($scale, $fit->metresPerPixel(), 1e-4);
        }
    }

    public function test_three_places_shear_it_too(): void
    {
        $plane = new LocalPlane(10, 50);
        $ground = static fn (float $x, float $y): array => $plane->toDegrees([
            0.5 * $x + 0.1 * $y - 30,
            0.05 * $x - 0.7 * $y + 12,
        ]);
        $fit = PictureFit::of([
            self::known(0, 0, $ground),
            self::known(800, 30, $ground),
            self::known(50, 600, $ground),
        ]);

        self::assertEqualsWithDelta($ground(800, 600), $fit->place(800, 600), 1e-7);
    }

    public function test_the_known_places_fall_on_themselves(): void
    {
        $known = [
            ['x' => 12.0, 'y' => 40.0, 'longitude' => -76.281, 'latitude' => 42.915],
            ['x' => 700.0, 'y' => 410.0, 'longitude' => -76.277, 'latitude' => 42.9133],
        ];
        $fit = PictureFit::of($known);
        foreach ($known as $place) {
            self::assertEqualsWithDelta(
                [$place['longitude'], $place['latitude']],
                $fit->place($place['x'], $place['y']),
                1e-9,
            );
        }
    }

    public function test_places_that_fix_nothing_are_refused(): void
    {
        $at = static fn (float $x, float $y, float $lon, float $lat): array => [
            'x' => $x,
            'y' => $y,
            'longitude' => $lon,
            'latitude' => $lat,
        ];
        foreach (
            [
                [$at(1, 1, 10, 50)],
                [$at(1, 1, 10, 50), $at(1, 1, 10.1, 50)],
                [$at(1, 1, 10, 50), $at(9, 1, 10, 50)],
                [$at(0, 0, 10, 50), $at(10, 10, 10.1, 50.1), $at(20, 20, 10.2, 50)],
                array_fill(0, 4, $at(1, 1, 10, 50)),
                [$at(0, 0, 10, 50), $at(100, 0, 11, 50)],
                [$at(0, 0, 10, 84), $at(100, 0, 10.001, 84)],
            ] as $known
        ) {
            try {
                PictureFit::of($known);
                self::fail(count($known).' places were accepted');
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    /**
     * @param callable(float, float): array{float, float} $ground
     * @return array{x: float, y: float, longitude: float, latitude: float}
     */
    private static function known(float $x, float $y, callable $ground): array
    {
        [$longitude, $latitude] = $ground($x, $y);

        return ['x' => $x, 'y' => $y, 'longitude' => $longitude, 'latitude' => $latitude];
    }
}
