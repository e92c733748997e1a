<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Geometry\Boundary;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is ground and what is not, with the words it is refused in. */
final class BoundaryTest extends TestCase
{
    private const SQUARE = [[0, 0], [0.001, 0], [0.001, 0.001], [0, 0.001], [0, 0]];

    public function test_the_turn_of_a_ring_does_not_matter(): void
    {
        self::assertEqualsWithDelta(self::area([self::SQUARE]), self::area([array_reverse(self::SQUARE)]), 1e-9);
    }

    public function test_a_hole_is_taken_off(): void
    {
        $hole = [[0.0002, 0.0002], [0.0004, 0.0002], [0.0004, 0.0004], [0.0002, 0.0004], [0.0002, 0.0002]];

        self::assertEqualsWithDelta(self::area([self::SQUARE]) * 0.96, self::area([self::SQUARE, $hole]), 0.1);
    }

    public function test_a_place_lies_on_it_but_not_in_its_hole(): void
    {
        $hole = [[0.0002, 0.0002], [0.0004, 0.0002], [0.0004, 0.0004], [0.0002, 0.0004], [0.0002, 0.0002]];
        $ground = Boundary::fromGeoJson((string) json_encode(['type' => 'Polygon', 'coordinates' => [self::SQUARE, $hole]]));
        self::assertTrue($ground->contains([0.0006, 0.0006]));
        self::assertFalse($ground->contains([0.0003, 0.0003]));
        self::assertFalse($ground->contains([0.002, 0.0006]));
    }

    public function test_a_collection_and_a_multipolygon_add_up(): void
    {
        $other = array_map(static fn (array $p): array => [$p[0] + 0.01, $p[1]], self::SQUARE);
        $multi = Boundary::fromGeoJson(
            (string) json_encode(['type' => 'MultiPolygon', 'coordinates' => [[self::SQUARE], [$other]]]),
        );
        $both = Boundary::fromGeoJson(
            (string) json_encode([
                'type' => 'FeatureCollection',
                'features' => [
                    [
                        'type' => 'Feature',
                        'properties' => null,
                        'geometry' => ['type' => 'Polygon', 'coordinates' => [self::SQUARE]],
                    ],
                    [
                        'type' => 'Feature',
                        'properties' => null,
                        'geometry' => ['type' => 'Polygon', 'coordinates' => [$other]],
                    ],
                ],
            ]),
        );

        self::assertCount(2, $multi->polygons);
        self::assertEqualsWithDelta(2 * self::area([self::SQUARE]), $multi->areaM2(), 0.01);
        self::assertEqualsWithDelta($multi->areaM2(), $both->areaM2(), 1e-6);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        $polygon = static fn (array ...$rings): string => (string) json_encode([
            'type' => 'Polygon',
            'coordinates' => $rings,
        ]);
        yield 'no JSON' => ['{', 'it is not JSON'];
        yield 'a point' => ['{"type":"Point","coordinates":[1,2]}', 'it is a Point'];
        yield 'an unknown type' => ['{"type":"Circle","coordinates":[1,2]}', 'a Circle cannot be read'];
        yield 'no geometry' => ['{"type":"FeatureCollection","features":[]}', 'it holds no geometry'];
        yield 'a bow tie' => [$polygon([[0, 0], [0.001, 0.001], [0.001, 0], [0, 0.001], [0, 0]]), 'crosses itself'];
        yield 'not closed' => [$polygon([[0, 0], [0.001, 0], [0.001, 0.001], [0, 0.001]]), 'is not closed'];
        yield 'two corners' => [$polygon([[0, 0], [0.001, 0], [0, 0]]), 'its ring has 3 positions'];
        yield 'a line of no width' => [$polygon([[0, 0], [0.001, 0], [0.002, 0], [0, 0]]), ''];
        yield 'off the globe' => [$polygon([[0, 0], [0.001, 0], [0.001, 91], [0, 0]]), 'lies off the globe'];
        yield 'latitude first' => [$polygon([[42, 176], [42, 177], [43, 177], [42, 176]]), 'lies off the globe'];
        yield 'text for a number' => [
            $polygon([['0', 0], [0.001, 0], [0.001, 0.001], ['0', 0]]),
            'a position is not two numbers',
        ];
        yield 'a hole outside' => [
            $polygon(self::SQUARE, [[0.002, 0.002], [0.003, 0.002], [0.003, 0.003], [0.002, 0.002]]),
            'it reaches outside its polygon',
        ];
        yield 'overlapping polygons' => [
            (string) json_encode([
                'type' => 'MultiPolygon',
                'coordinates' => [
                    [self::SQUARE],
                    [array_map(static fn (array $p): array => [$p[0] + 0.0005, $p[1] + 0.0005], self::SQUARE)],
                ],
            ]),
            'it overlaps',
        ];
    }

    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(string $text, string $words): void
    {
        $this->expectException(BadBoundary::class);
        $this->expectExceptionMessageMatches('/'.preg_quote($words, '/').'.*; accepted is /');

        Boundary::fromGeoJson($text);
    }

    public function test_the_feature_is_named(): void
    {
        $this->expectExceptionMessage('feature 2: it is a LineString');

        Boundary::fromGeoJson(
            (string) json_encode([
                'type' => 'FeatureCollection',
                'features' => [
                    ['type' => 'Feature', 'geometry' => ['type' => 'Polygon', 'coordinates' => [self::SQUARE]]],
                    ['type' => 'Feature', 'geometry' => ['type' => 'LineString', 'coordinates' => [[0, 0], [1, 1]]]],
                ],
            ]),
        );
    }

    /** @param list<list<array{int|float, int|float}>> $rings */
    private static function area(array $rings): float
    {
        return Boundary::fromGeoJson((string) json_encode(['type' => 'Polygon', 'coordinates' => $rings]))->areaM2();
    }
}
