<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Leg;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Sampling\Strips;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Areas and legs against pyproj (GeographicLib), usable ground against shapely: see Reference/geometry.py. */
final class AgainstGeodesicsTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> */
    public static function areas(): iterable
    {
        foreach (ReferenceData::of('geometry')['areas'] as $row) {
            yield $row['name'] => [$row];
        }
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('areas')]
    public function test_the_area_is_the_geodesic_one(array $row): void
    {
        $found = Boundary::fromGeoJson((string) json_encode($row['geometry']))->areaM2();

        self::assertEqualsWithDelta(
            1.0,
            $found / $row['area_m2'],
            $row['area_m2'] > 1e8 ? 2e-5 : 1e-7,
            'long edges bend on the globe and not on the plane',
        );
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function usable(): iterable
    {
        foreach (ReferenceData::of('geometry')['usable'] as $row) {
            yield $row['name'] => [$row];
        }
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('usable')]
    public function test_the_usable_ground_is_what_buffers_leave(array $row): void
    {
        $boundary = Boundary::fromGeoJson((string) json_encode($row['boundary']));
        $away =
            $row['away'] === null
                ? KeepAway::nothing()
                : KeepAway::fromGeoJson(
                    (string) json_encode($row['away']),
                    $boundary->plane,
                    (float) $row['distance_m'],
                );
        $ground = Ground::of($boundary->polygons, (float) $row['edge_m'], $away);

        self::assertEqualsWithDelta(1.0, Strips::of($ground, 400)->areaM2() / $row['usable_m2'], 3e-3);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function legs(): iterable
    {
        foreach (ReferenceData::of('geometry')['legs'] as $i => $row) {
            yield "leg {$i}" => [$row];
        }
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('legs')]
    public function test_a_leg_has_the_geodesic_length_and_bearing(array $row): void
    {
        $leg = Leg::between(
            [(float) $row['from'][0], (float) $row['from'][1]],
            [(float) $row['to'][0], (float) $row['to'][1]],
        );

        self::assertEqualsWithDelta($row['metres'], $leg->metres, 0.001);
        self::assertEqualsWithDelta(0.0, fmod(($leg->bearing ?? 0) - $row['bearing'] + 540, 360) - 180, 0.02);
    }

    public function test_a_leg_of_no_length_has_no_bearing(): void
    {
        self::assertNull(Leg::between([10.0, 50.0], [10.0, 50.0])->bearing);
    }

    public function test_the_plane_goes_there_and_back(): void
    {
        foreach ([[10.0, 0.0], [-76.281, 42.915], [179.99, -17.0], [19.0, 69.0]] as [$longitude, $latitude]) {
            $plane = new LocalPlane($longitude, $latitude);
            foreach ([[0.0, 0.0], [250.0, -80.0], [-9000.0, 12000.0]] as $point) {
                $there = $plane->toMetres($plane->toDegrees($point));
                self::assertEqualsWithDelta($point, $there, 1e-6);
            }
        }
    }
}
