<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use PHPUnit\Framework\TestCase;

/** What a file of ground to keep away from holds is kept, in whatever order and wrapping it comes. */
final class KeepAwayFilesTest extends TestCase
{
    private const LINE = ['type' => 'LineString', 'coordinates' => [[-75.0, 43.0], [-75.0, 43.002]]];

    private const PLOT = [
        'type' => 'Polygon',
        'coordinates' => [
            [[-74.998, 43.0], [-74.9975, 43.0], [-74.9975, 43.0005], [-74.998, 43.0005], [-74.998, 43.0]],
        ],
    ];

    private const GROUND = '{"type":"Polygon","coordinates":[[[-75.001,43.0],[-74.997,43.0],[-74.997,43.002],'.
        '[-75.001,43.002],[-75.001,43.0]]]}';

    public function test_a_line_before_a_polygon_keeps_both(): void
    {
        [$line, $plot] = [$this->kept([self::LINE]), $this->kept([self::PLOT])];
        foreach (
            [
                [self::LINE, self::PLOT],
                [self::PLOT, self::LINE],
                [['type' => 'GeometryCollection', 'geometries' => [self::LINE, self::PLOT]]],
            ] as $features
        ) {
            $both = $this->kept($features);
            self::assertSame([$line[0] + $plot[0], $line[1] + $plot[1]], $both);
        }
        self::assertSame([1, 0], $line);
        self::assertSame(1, $plot[1]);
    }

    /**
     * @param list<array<string, mixed>> $geometries
     * @return array{int, int} capsules and polygons that are kept
     */
    private function kept(array $geometries): array
    {
        $features = array_map(
            static fn (array $geometry): array => ['type' => 'Feature', 'properties' => [], 'geometry' => $geometry],
            $geometries,
        );
        $kept = KeepAway::fromGeoJson(
            json_encode(['type' => 'FeatureCollection', 'features' => $features], JSON_THROW_ON_ERROR),
            Boundary::fromGeoJson(self::GROUND)->plane,
            20,
        );

        return [count($kept->capsules), count($kept->polygons)];
    }
}
