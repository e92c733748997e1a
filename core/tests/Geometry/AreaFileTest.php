<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\AreaFile;
use HonestCore\Geometry\AreaFileWriter;
use HonestCore\Geometry\Boundary;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(AreaFileWriter::class)]
final class AreaFileTest extends TestCase
{
    private const RING = [[-76.28, 42.91], [-76.27, 42.91], [-76.27, 42.92], [-76.28, 42.92], [-76.28, 42.91]];

    private const HOLE = [[-76.277, 42.913], [-76.275, 42.913], [-76.275, 42.915], [-76.277, 42.913]];

    public function test_what_is_written_is_read_back_the_same(): void
    {
        $areas = [
            [
                'name' => 'Fold & "spring"',
                'use' => 'pasture',
                'history' => 'Limed <2019>',
                'geometry' => ['type' => 'Polygon', 'coordinates' => [self::RING, self::HOLE]],
            ],
            [
                'name' => 'Two parts',
                'use' => 'lawn',
                'history' => '',
                'geometry' => [
                    'type' => 'MultiPolygon',
                    'coordinates' => [
                        [self::RING],
                        [array_map(static fn (array $p): array => [$p[0] + 0.02, $p[1]], self::RING)],
                    ],
                ],
            ],
        ];
        $geo = AreaFile::read(AreaFileWriter::geoJson($areas))->areas;
        $kml = AreaFile::read(AreaFileWriter::kml($areas))->areas;
        $gpx = AreaFile::read(AreaFileWriter::gpx($areas))->areas;

        self::assertSame([$areas[0]['geometry'], $areas[1]['geometry']], array_column($geo, 'geometry'));
        self::assertSame([$areas[0]['geometry'], $areas[1]['geometry']], array_column($kml, 'geometry'));
        self::assertSame(
            ['Fold & "spring"', 'Two parts'],
            array_map(static fn (array $a): string => $a['properties']['name'], $kml),
        );
        self::assertCount(3, $gpx, 'a track for each outer ring');
        self::assertSame([self::RING], $gpx[0]['geometry']['coordinates']);
    }

    /**
     * Folders, points beside the polygons, holes, several outlines of one place and words with markup in them, as
     * programs write them.
     */
    public function test_kml_of_any_shape_is_read(): void
    {
        $ring = static fn (float $x, float $size): string => "<coordinates>\n {$x},50,0 ".
            ($x + $size).
            ",50,0\n".
            ($x + $size).
            ','.
            (50 + $size).
            ",0 {$x},50,0 </coordinates>";
        $polygon = static fn (
            string $outer,
            string $inner = '',
        ): string => "<Polygon><outerBoundaryIs><LinearRing>{$outer}</LinearRing></outerBoundaryIs>".
            ($inner === '' ? '' : "<innerBoundaryIs><LinearRing>{$inner}</LinearRing></innerBoundaryIs>").
            '</Polygon>';
        $file = AreaFile::read(
            '<?xml version="1.0"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document><Folder><name>Farm</name>'.
                '<Placemark><name>gate</name><Point><coordinates>10,50</coordinates></Point></Placemark>'.
                '<Placemark><name> Low field </name><description>&lt;b&gt;Limed&lt;/b&gt; in 2019</description>'.
                $polygon($ring(10.0, 0.01), $ring(10.002, 0.001)).
                '</Placemark></Folder>'.
                '<Placemark><MultiGeometry>'.
                $polygon($ring(10.1, 0.01)).
                $polygon($ring(10.2, 0.01)).
                '</MultiGeometry></Placemark></Document></kml>',
        );

        self::assertSame(
            ['placemark 2', 'placemark 3'],
            array_column($file->areas, 'place'),
            'a point is no area and is counted',
        );
        self::assertSame(
            [['name' => 'Low field', 'history' => 'Limed in 2019'], ['name' => '', 'history' => '']],
            array_column($file->areas, 'properties'),
        );
        self::assertSame(['Polygon', 'MultiPolygon'], array_column(array_column($file->areas, 'geometry'), 'type'));
        self::assertSame(
            [
                [[10.0, 50.0], [10.01, 50.0], [10.01, 50.01], [10.0, 50.0]],
                [[10.002, 50.0], [10.003, 50.0], [10.003, 50.001], [10.002, 50.0]],
            ],
            $file->areas[0]['geometry']['coordinates'],
        );
        self::assertCount(2, $file->areas[1]['geometry']['coordinates']);
        self::assertSame(
            [[50.0, 10.0], [50.0, 10.01], [50.01, 10.01], [50.0, 10.0]],
            $file->swapped()->areas[0]['geometry']['coordinates'][0] ?? null,
        );
    }

    /** Each stretch of a track and each route is a ring, closed where the receiver left it open and never twice. */
    public function test_tracks_and_routes_are_rings(): void
    {
        $points = static fn (string $tag, bool $closed): string => implode(
            '',
            array_map(static fn (array $p): string => "<{$tag} lat=\"{$p[1]}\" lon=\"{$p[0]}\"/>", [
                [10, 50],
                [10.01, 50],
                [10.01, 50.01],
                ...$closed ? [[10, 50]] : [],
            ]),
        );
        $file = AreaFile::read(
            '<gpx xmlns="http://www.topografix.com/GPX/1/1"><wpt lat="1" lon="1"/><trk><name>Round the '.
                'hill</name><trkseg>'.
                $points('trkpt', false).
                '</trkseg><trkseg>'.
                $points('trkpt', true).
                '</trkseg><trkseg></trkseg></trk><rte><name>Fence</name>'.
                $points('rtept', false).
                '</rte></gpx>',
        );

        self::assertSame(
            ['Round the hill', 'Round the hill', 'Fence'],
            array_map(static fn (array $area): mixed => $area['properties']['name'] ?? null, $file->areas),
        );
        foreach ($file->areas as $area) {
            self::assertSame(
                [[[10.0, 50.0], [10.01, 50.0], [10.01, 50.01], [10.0, 50.0]]],
                $area['geometry']['coordinates'],
            );
        }
    }

    public function test_points_without_a_name_are_one_ring(): void
    {
        $file = AreaFile::read("\xEF\xBB\xBFLatitude,Longitude\n50,10\n50,10.01\n50.01,10.01\n");
        self::assertSame(['the points', ['name' => '']], [$file->areas[0]['place'], $file->areas[0]['properties']]);
        self::assertSame(
            [[[10.0, 50.0], [10.01, 50.0], [10.01, 50.01], [10.0, 50.0]]],
            $file->areas[0]['geometry']['coordinates'],
        );
    }

    /** Far from the site as it stands, and near it the other way round: only both together speak for an exchange. */
    public function test_an_exchange_is_thought_of_only_near_a_place(): void
    {
        $at = static fn (float $x, float $y): AreaFile => AreaFile::read(
            (string) json_encode([
                'type' => 'Polygon',
                'coordinates' => [[[$x, $y], [$x + 0.01, $y], [$x + 0.01, $y + 0.01], [$x, $y]]],
            ]),
        );
        self::assertTrue($at(50.0, 10.0)->looksSwapped(10.0, 50.0));
        self::assertFalse($at(10.0, 50.0)->looksSwapped(10.0, 50.0));
        self::assertFalse($at(30.0, 40.0)->looksSwapped(10.0, 50.0), 'far either way');
        self::assertFalse($at(50.5, 49.5)->looksSwapped(50.0, 50.0), 'near either way');
        self::assertFalse($at(50.0, 10.0)->looksSwapped(10.0, null), 'half a place is none');
        self::assertFalse($at(50.0, 10.0)->looksSwapped(null, 50.0));
    }

    public function test_points_of_a_csv_make_a_ring_for_each_area(): void
    {
        $areas = AreaFile::read(
            "area;longitude;latitude\nFold;-76.28;42.91\nFold;-76.27;42.91\nFold;-76.27;42.92\n".
                "Bank;-76.2;42.9\nBank;-76.1;42.9\nBank;-76.1;42.95\n",
        )->areas;

        self::assertSame(['Fold', 'Bank'], array_map(static fn (array $a): string => $a['properties']['name'], $areas));
        self::assertCount(4, $areas[0]['geometry']['coordinates'][0], 'closed');
        self::assertGreaterThan(0, Boundary::fromGeoJson((string) json_encode($areas[0]['geometry']))->areaM2());
    }

    public function test_latitude_first_is_noticed_and_can_be_exchanged(): void
    {
        $swapped = AreaFile::read(
            (string) json_encode(['type' => 'Polygon', 'coordinates' => [array_map(array_reverse(...), self::RING)]]),
        );
        $right = AreaFile::read((string) json_encode(['type' => 'Polygon', 'coordinates' => [self::RING]]));

        self::assertTrue($swapped->looksSwapped(-76.28, 42.91), 'it would lie near the site the other way round');
        self::assertFalse($right->looksSwapped(-76.28, 42.91));
        self::assertFalse($swapped->looksSwapped(null, null), 'both ways lie on the globe');
        self::assertTrue(
            AreaFile::read('{"type":"Polygon","coordinates":[[[42,151],[42,152],[43,152],[42,151]]]}')->looksSwapped(
                null,
                null,
            ),
            'off the globe',
        );
        self::assertSame($right->areas[0]['geometry'], $swapped->swapped()->areas[0]['geometry']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'a picture' => ["\x89PNG", 'it is a PNG picture'];
        yield 'broken XML' => ["<kml>\n<Placemark>", 'its XML breaks off in line 2'];
        yield 'another XML' => ['<html></html>', 'its root is html'];
        yield 'an entity' => ['<!DOCTYPE kml [<!ENTITY a "b">]><kml>&a;</kml>', 'declares a document type'];
        yield 'KML without ground' => [
            '<kml><Placemark><Point><coordinates>1,2</coordinates></Point></Placemark></kml>',
            'it holds no area',
        ];
        yield 'KML with a bad tuple' => [
            '<kml><Placemark><Polygon><outerBoundaryIs><LinearRing><coordinates>1,2 '.
                'x,3</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark></kml>',
            'placemark 1: "x,3" is no position',
        ];
        yield 'CSV in words' => ["longitude,latitude\na,b\n", 'row 2: longitude is "a"'];
        yield 'a hundred thousand corners' => [
            '{"type":"Polygon","coordinates":[['.implode(',', array_fill(0, 100_000, '[1.5,2.5]')).']]}',
            'it holds 100,000 positions; accepted is up to 50,000',
        ];
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
