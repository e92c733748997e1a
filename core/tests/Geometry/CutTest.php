<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Cut;
use HonestCore\Geometry\GeoJson;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(BadBoundary::class)]
#[CoversClass(GeoJson::class)]
final class CutTest extends TestCase
{
    public function test_the_two_sides_make_up_the_whole_wherever_the_line_goes(): void
    {
        mt_srand(41);
        foreach (ReferenceData::of('geometry')['areas'] as $row) {
            if ($row['area_m2'] > 1e8 || str_contains($row['name'], 'date line')) {
                continue;
            }
            $rings = GeoJson::polygons((string) json_encode($row['geometry']))[0]['rings'];
            $whole = self::area($rings);
            $lons = array_column($rings[0], 0);
            [$west, $east] = [min($lons), max($lons)];
            $lats = array_column($rings[0], 1);
            [$south, $north] = [min($lats), max($lats)];
            for ($i = 0; $i < 15; $i++) {
                $x = $west + ($east - $west) * (0.72 + (0.2 * mt_rand(0, 100)) / 100);
                $line = [
                    [$x, $north + 0.01],
                    [$x + ($east - $west) * 0.02, ($south + $north) / 2],
                    [$x, $south - 0.01],
                ];
                [$a, $b] = Cut::inTwo($rings, $line);
                self::assertEqualsWithDelta(1.0, (self::area($a) + self::area($b)) / $whole, 1e-6, $row['name']);
                self::assertGreaterThan(0, min(self::area($a), self::area($b)));
            }
        }
    }

    public function test_the_one_click_line_parts_ground_in_two_fair_pieces(): void
    {
        $rings = GeoJson::polygons(
            (string) json_encode([
                'type' => 'Polygon',
                'coordinates' => [[[0, 0], [0.004, 0], [0.004, 0.001], [0, 0.001], [0, 0]]],
            ]),
        )[0]['rings'];
        [$a, $b] = Cut::inTwo($rings, Cut::acrossTheMiddle($rings[0]));

        self::assertEqualsWithDelta(1.0, self::area($a) / self::area($b), 1e-3);
        self::assertEqualsWithDelta(
            0.002,
            max(array_column($a[0], 0)) - min(array_column($a[0], 0)),
            1e-6,
            'across the longer side',
        );
    }

    public function test_a_hole_goes_with_its_side(): void
    {
        $hole = [[0.0005, 0.0004], [0.0007, 0.0004], [0.0007, 0.0006], [0.0005, 0.0006]];
        $rings = [[[0.0, 0.0], [0.004, 0.0], [0.004, 0.001], [0.0, 0.001]], $hole];
        [$a, $b] = Cut::inTwo($rings, [[0.002, 0.002], [0.002, -0.002]]);

        self::assertSame(3, count($a) + count($b));
        $this->expectException(BadBoundary::class);
        $this->expectExceptionMessage('it crosses hole 1');
        Cut::inTwo($rings, [[0.0006, 0.002], [0.0006, -0.002]]);
    }

    public function test_a_line_that_does_not_cross_twice_is_refused(): void
    {
        $ring = [[[0.0, 0.0], [0.004, 0.0], [0.004, 0.001], [0.0, 0.001]]];
        foreach (
            [
                [[0.002, 0.0005], [0.002, 0.002]],
                [[0.01, 0], [0.01, 1]],
                [[-0.001, 0.0005], [0.002, 0.0015], [0.002, -0.0005], [0.003, 0.002]],
            ] as $line
        ) {
            try {
                Cut::inTwo($ring, array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], $line));
                self::fail('It was cut.');
            } catch (BadBoundary $error) {
                self::assertStringContainsString('crosses the boundary', $error->getMessage());
            }
        }
    }

    /** @param list<list<array{float, float}>> $rings */
    private static function area(array $rings): float
    {
        $closed = array_map(static fn (array $ring): array => [...$ring, $ring[0]], $rings);

        return Boundary::fromGeoJson((string) json_encode(['type' => 'Polygon', 'coordinates' => $closed]))->areaM2();
    }
}
