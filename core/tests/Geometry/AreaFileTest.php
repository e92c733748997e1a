<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\AreaFile;
use HonestCore\Geometry\AreaFileWriter;
use HonestCore\Geometry\Boundary;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AreaFileTest extends TestCase
{
    private const RING = [[-76.28, 42.91], [-76.27, 42.91], [-76.27, 42.92], [-76.28, 42.92], [-76.28, 42.91]];

    private const HOLE = [[-76.277, 42.913], [-76.275, 42.913], [-76.275, 42.915], [-76.277, 42.913]];

    public function test_what_is_written_is_read_back_the_same(): void
    {
        $areas = [
            ['name' => 'Fold & "spring"', 'use' => 'pasture', 'history' => 'Limed <2019>', 'geometry' => ['type' => 'Polygon', 'coordinates' => [self::RING, self::HOLE]]],
            ['name' => 'Two parts', 'use' => 'lawn', 'history' => '', 'geometry' => ['type' => 'MultiPolygon', 'coordinates' => [[self::RING], [array_map(static fn (array $p): array => [$p[0] + 0.02, $p[1]], self::RING)]]]],
        ];
        $geo = AreaFile::read(AreaFileWriter::geoJson($areas))->areas;
        $kml = AreaFile::read(AreaFileWriter::kml($areas))->areas;
        $gpx = AreaFile::read(AreaFileWriter::gpx($areas))->areas;

        self::assertSame([$areas[0]['geometry'], $areas[1]['geometry']], array_column($geo, 'geometry'));
        self::assertSame([$areas[0]['geometry'], $areas[1]['geometry']], array_column($kml, 'geometry'));
        self::assertSame(['Fold & "spring"', 'Two parts'], array_map(static fn (array $a): string => $a['properties']['name'], $kml));
        self::assertCount(3, $gpx, 'a track for each outer ring');
        self::assertSame([self::RING], $gpx[0]['geometry']['coordinates']);
    }

    public function test_points_of_a_csv_make_a_ring_for_each_area(): void
    {
        $areas = AreaFile::read("area;longitude;latitude\nFold;-76.28;42.91\nFold;-76.27;42.91\nFold;-76.27;42.92\nBank;-76.2;42.9\nBank;-76.1;42.9\nBank;-76.1;42.95\n")->areas;

        self::assertSame(['Fold', 'Bank'], array_map(static fn (array $a): string => $a['properties']['name'], $areas));
        self::assertCount(4, $areas[0]['geometry']['coordinates'][0], 'closed');
        self::assertGreaterThan(0, Boundary::fromGeoJson((string) json_encode($areas[0]['geometry']))->areaM2());
    }

    public function test_latitude_first_is_noticed_and_can_be_exchanged(): void
    {
        $swapped = AreaFile::read((string) json_encode(['type' => 'Polygon', 'coordinates' => [array_map(array_reverse(...), self::RING)]]));
        $right = AreaFile::read((string) json_encode(['type' => 'Polygon', 'coordinates' => [self::RING]]));

        self::assertTrue($swapped->looksSwapped(-76.28, 42.91), 'it would lie near the site the other way round');
        self::assertFalse($right->looksSwapped(-76.28, 42.91));
        self::assertFalse($swapped->looksSwapped(null, null), 'both ways lie on the globe');
        self::assertTrue(AreaFile::read('{"type":"Polygon","coordinates":[[[42,151],[42,152],[43,152],[42,151]]]}')->looksSwapped(null, null), 'off the globe');
        self::assertSame($right->areas[0]['geometry'], $swapped->swapped()->areas[0]['geometry']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'a picture' => ["\x89PNG", 'it is not JSON'];
        yield 'broken XML' => ["<kml>\n<Placemark>", 'its XML breaks off in line 2'];
        yield 'another XML' => ['<html></html>', 'its root is html'];
        yield 'an entity' => ['<!DOCTYPE kml [<!ENTITY a "b">]><kml>&a;</kml>', 'declares a document type'];
        yield 'KML without ground' => ['<kml><Placemark><Point><coordinates>1,2</coordinates></Point></Placemark></kml>', 'it holds no area'];
        yield 'KML with a bad tuple' => ['<kml><Placemark><Polygon><outerBoundaryIs><LinearRing><coordinates>1,2 x,3</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark></kml>', 'placemark 1: "x,3" is no position'];
        yield 'CSV in words' => ["longitude,latitude\na,b\n", 'row 2: longitude is "a"'];
        yield 'a hundred thousand corners' => ['{"type":"Polygon","coordinates":[['.implode(',', array_fill(0, 100_000, '[1.5,2.5]')).']]}', 'it holds 100,000 positions; accepted is up to 50,000'];
    }

    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(string $text, string $words): void
    {
        try {
            AreaFile::read($text);
            self::fail('It was read.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
        }
    }
}
