<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\Number;

/**
 * Areas of a file that other programs wrote: GeoJSON, KML, GPX, well-known text, or boundary points as CSV.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84; each area a GeoJSON geometry with its properties.
 * Domain: up to 50,000 positions. A closed line is a ring. GPX: each track segment or route is a ring, closed here.
 * CSV: see CsvAreas.
 *   A feature that cannot be an area is passed over and named, and refuses the others not; a file with no area at all
 * is refused.
 * Source: RFC 7946, OGC KML 2.2, GPX 1.1, OGC Simple Features, RFC 4180.
 */
final readonly class AreaFile
{
    private const MOST_POSITIONS = 50_000;

    /**
     * @param list<array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     *     properties: array<mixed>}> $areas
     * @param list<array{place: string, why: string}> $passedOver
     */
    private function __construct(public array $areas, public array $passedOver = []) {}

    /**
     * @throws BadBoundary
     * @throws BadTable
     * @throws BadRow
     */
    public static function read(string $text): self
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        $start = ltrim($text);
        [$areas, $passed] = match (true) {
            $start === '' => throw new BadBoundary('file_empty'),
            str_starts_with($start, '{'), str_starts_with($start, '[') => self::geoJson($text),
            str_starts_with($start, '<') => self::xml($text),
            Wkt::looksLike($start) => self::sound(
                array_map(
                    static fn (string $one, int $i): array => [
                        'place' => 'geometry '.($i + 1),
                        'geometry' => $one,
                        'properties' => [],
                    ],
                    $lines = self::wktLines($start),
                    array_keys($lines),
                ),
            ),
            CsvAreas::looksLike($start) => self::sound(CsvAreas::read($text)),
            default => throw new BadBoundary('file_is_something_else', ['text' => self::seen($text)]),
        };
        $count = 0;
        array_walk_recursive($areas, static function (mixed $value) use (&$count): void {
            $count += is_int($value) || is_float($value) ? 1 : 0;
        });
        if ($count / 2 > self::MOST_POSITIONS) {
            throw new BadBoundary('too_many_positions', [
                'count' => number_format($count / 2),
                'most_positions' => number_format(self::MOST_POSITIONS),
            ]);
        }
        if ($areas === []) {
            throw match (count($passed)) {
                0 => new BadBoundary('file_holds_no_area'),
                1 => new BadBoundary('the_part_is_no_area', ['why' => $passed[0]['why']]),
                default => new BadBoundary('no_part_is_an_area', [
                    'why' => $passed[0]['why'],
                    'more' => count($passed) - 1,
                ]),
            };
        }

        return new self($areas, $passed);
    }

    /**
     * Those that can be areas, and those that cannot, each with its reason.
     *
     * @param list<array{place: string, geometry: array{type: string,
     *     coordinates: array<mixed>}|string|BadBoundary, properties: array<mixed>}> $found well-known text where the geometry is a
     *     text
     * @return array{list<array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     *     properties: array<mixed>}>, list<array{place: string, why: string}>}
     */
    private static function sound(array $found): array
    {
        [$areas, $passed] = [[], []];
        foreach ($found as $one) {
            try {
                $geometry = $one['geometry'];
                if ($geometry instanceof BadBoundary) {
                    throw $geometry;
                }
                $areas[] = [
                    'place' => $one['place'],
                    'geometry' => self::ground(
                        is_string($geometry) ? Wkt::read($geometry, $one['place']) : $geometry,
                        $one['place'],
                    ),
                    'properties' => $one['properties'],
                ];
            } catch (BadBoundary $error) {
                $passed[] = ['place' => $one['place'], 'why' => $error->getMessage()];
            }
        }

        return [$areas, $passed];
    }

    /**
     * The geometry as a polygon: a line that ends where it begins is its rim.
     *
     * @param array{type: string, coordinates: array<mixed>} $geometry
     * @return array{type: string, coordinates: array<mixed>}
     *
     * @throws BadBoundary
     */
    private static function ground(array $geometry, string $place): array
    {
        ['type' => $type, 'coordinates' => $coordinates] = $geometry;
        if (
            $type === 'LineString' &&
            count($coordinates) >= 4 &&
            $coordinates[0] === $coordinates[count($coordinates) - 1]
        ) {
            return ['type' => 'Polygon', 'coordinates' => [$coordinates]];
        }
        if (
            $type === 'MultiLineString' &&
            $coordinates !== [] &&
            array_filter(
                $coordinates,
                static fn (mixed $line): bool => ! is_array($line) ||
                    count($line) < 4 ||
                    $line[0] !== $line[count($line) - 1],
            ) === []
        ) {
            return count($coordinates) === 1
                ? ['type' => 'Polygon', 'coordinates' => [$coordinates[0]]]
                : [
                    'type' => 'MultiPolygon',
                    'coordinates' => array_map(static fn (mixed $line): array => [$line], $coordinates),
                ];
        }

        return in_array($type, ['Polygon', 'MultiPolygon'], true)
            ? $geometry
            : throw new BadBoundary('geometry_not_closed', ['place' => $place, 'type' => $type]);
    }

    /** @return list<string> one geometry a line, or all of the text as one */
    private static function wktLines(string $text): array
    {
        $lines = array_values(
            array_filter(
                array_map(trim(...), explode("\n", str_replace("\r", "\n", $text))),
                static fn (string $line): bool => $line !== '',
            ),
        );

        return count(array_filter($lines, Wkt::looksLike(...))) === count($lines) ? $lines : [implode(' ', $lines)];
    }

    /** What a file seems to be, for whoever has to export it anew. */
    private static function seen(string $text): string
    {
        foreach (
            [
                '%PDF' => 'a PDF',
                "\x89PNG" => 'a PNG picture',
                "\xFF\xD8" => 'a JPEG picture',
                'PK' => 'a zipped file',
                'SQLite format 3' => 'a GeoPackage or another database',
                "\x00\x00\x27\x0A" => 'a bare Shapefile (.shp)',
                'AutoCAD' => 'a drawing',
                'AC10' => 'a drawing (DWG)',
            ] as $mark => $what
        ) {
            if (str_starts_with($text, $mark)) {
                return $what;
            }
        }

        return match (true) {
            preg_match('/^\s*0\s+SECTION/', $text) === 1 => 'a drawing (DXF)',
            preg_match('/^[^\n]*[,;\t][^\n]*\n/', $text) === 1 => 'a table without columns for longitude and '.
                'latitude',
            default => 'not JSON, XML or a table',
        };
    }

    /** The same with longitude and latitude exchanged. */
    public function swapped(): self
    {
        return new self(
            array_map(
                static fn (array $area): array => [
                    'geometry' => [
                        'type' => $area['geometry']['type'],
                        'coordinates' => self::exchange($area['geometry']['coordinates']),
                    ],
                ] + $area,
                $this->areas,
            ),
            $this->passedOver,
        );
    }

    /**
     * Does it read as latitude first: off the globe as it stands, or far from a place that it would lie near the other
     * way round?
     */
    public function looksSwapped(?float $longitude, ?float $latitude): bool
    {
        [$first, $second] = $this->firstPosition();
        if (abs($second) > 90 && abs($first) <= 90) {
            return true;
        }
        if ($longitude === null || $latitude === null) {
            return false;
        }
        $away = static fn (float $x, float $y): float => hypot(
            ($x - $longitude) * cos(deg2rad($latitude)),
            $y - $latitude,
        );

        return $away($first, $second) > 2 && $away($second, $first) < 1;
    }

    /** @return array{float, float} */
    private function firstPosition(): array
    {
        $node = $this->areas[0]['geometry']['coordinates'] ?? [];
        while (is_array($node[0] ?? null)) {
            $node = $node[0];
        }

        return [
            is_numeric($node[0] ?? null) ? (float) $node[0] : 0.0,
            is_numeric($node[1] ?? null) ? (float) $node[1] : 0.0,
        ];
    }

    /**
     * @param array<mixed> $node
     * @return array<mixed>
     */
    private static function exchange(array $node): array
    {
        if (is_array($node[0] ?? null)) {
            return array_map(
                static fn (mixed $inner): mixed => is_array($inner) ? self::exchange($inner) : $inner,
                $node,
            );
        }

        return count($node) < 2 ? $node : [$node[1] ?? null, $node[0] ?? null];
    }

    /**
     * @return array{list<array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     * properties: array<mixed>}>, list<array{place: string, why: string}>}
     */
    private static function geoJson(string $text): array
    {
        $document = json_decode($text, true);
        if (! is_array($document)) {
            throw new BadBoundary('file_json_breaks_off');
        }
        self::refuseOtherSystems($document);
        $listed = is_array($document['features'] ?? null) ? $document['features'] : null;
        $features = array_values($listed ?? (array_is_list($document) ? $document : [$document]));
        $found = [];
        foreach ($features as $i => $feature) {
            $place = $listed === null && count($features) === 1 ? 'the geometry' : 'feature '.($i + 1);
            array_push($found, ...self::ofFeature($feature, $place));
        }

        return self::sound($found);
    }

    /**
     * @param array<mixed> $document
     *
     * @throws BadBoundary
     */
    private static function refuseOtherSystems(array $document): void
    {
        if (($document['type'] ?? null) === 'Topology') {
            throw new BadBoundary('file_topojson');
        }
        $crs =
            is_array($document['crs'] ?? null) && is_array($document['crs']['properties'] ?? null)
                ? $document['crs']['properties']['name'] ?? null
                : null;
        if (is_string($crs) && preg_match('/(CRS84|EPSG:{1,2}(4326|4979))$/i', $crs) !== 1) {
            throw new BadBoundary('file_coordinates_of_a_grid', ['crs' => $crs]);
        }
    }

    /**
     * @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}|BadBoundary,
     *     properties: array<mixed>}>
     */
    private static function ofFeature(mixed $feature, string $place): array
    {
        $properties = is_array($feature) && is_array($feature['properties'] ?? null) ? $feature['properties'] : [];
        try {
            return array_map(
                static fn (array $one): array => [
                    'place' => $one['place'],
                    'geometry' => ['type' => $one['type'], 'coordinates' => $one['coordinates']],
                    'properties' => $properties,
                ],
                GeoJson::geometries(json_encode($feature, JSON_THROW_ON_ERROR), $place),
            );
        } catch (BadBoundary $error) {
            return [['place' => $place, 'geometry' => $error, 'properties' => $properties]];
        }
    }

    /**
     * @return array{list<array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     * properties: array<mixed>}>, list<array{place: string, why: string}>}
     */
    private static function xml(string $text): array
    {
        if (str_contains($text, '<!DOCTYPE') || str_contains($text, '<!ENTITY')) {
            throw new BadBoundary('file_declares_document_type');
        }
        $before = libxml_use_internal_errors(true);
        $root = simplexml_load_string($text, \SimpleXMLElement::class, LIBXML_NONET);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($root === false) {
            throw $error === false
                ? new BadBoundary('file_xml_breaks_off')
                : new BadBoundary('file_xml_breaks_off_in_line', ['line' => $error->line]);
        }

        return match ($root->getName()) {
            'kml' => self::sound(self::kml($root)),
            'gpx' => [self::gpx($root), []],
            'html' => throw new BadBoundary('file_is_a_web_page'),
            'FeatureCollection' => throw new BadBoundary('file_gml'),
            default => throw new BadBoundary('file_of_another_root', ['root' => $root->getName()]),
        };
    }

    /**
     * @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}|BadBoundary,
     * properties: array<mixed>}>
     */
    private static function kml(\SimpleXMLElement $root): array
    {
        $areas = [];
        foreach ($root->xpath('//*[local-name()="Placemark"]') ?: [] as $p => $placemark) {
            $named = $placemark->xpath('*[local-name()="name"]') ?: [];
            $told = $placemark->xpath('*[local-name()="description"]') ?: [];
            $place = 'placemark '.($p + 1);
            try {
                $geometry = self::kmlGeometry($placemark, $place);
            } catch (BadBoundary $error) {
                $geometry = $error;
            }
            if ($geometry !== null) {
                $areas[] = [
                    'place' => $place,
                    'geometry' => $geometry,
                    'properties' => [
                        'name' => trim((string) ($named[0] ?? '')),
                        'history' => trim(strip_tags((string) ($told[0] ?? ''))),
                    ],
                ];
            }
        }

        return $areas;
    }

    /**
     * Its polygons, else its closed lines; null for a placemark that is a point alone.
     *
     * @return array{type: string, coordinates: array<mixed>}|null
     *
     * @throws BadBoundary
     */
    private static function kmlGeometry(\SimpleXMLElement $placemark, string $place): ?array
    {
        $polygons = [];
        foreach ($placemark->xpath('.//*[local-name()="Polygon"]') ?: [] as $polygon) {
            $rings = $polygon->xpath('.//*[local-name()="outerBoundaryIs"]//*[local-name()="coordinates"]') ?: [];
            $holes = $polygon->xpath('.//*[local-name()="innerBoundaryIs"]//*[local-name()="coordinates"]') ?: [];
            $polygons[] = array_map(static fn (\SimpleXMLElement $ring): array => self::tuples((string) $ring, $place), [
                ...$rings,
                ...$holes,
            ]);
        }
        if ($polygons !== []) {
            return count($polygons) === 1
                ? ['type' => 'Polygon', 'coordinates' => $polygons[0]]
                : ['type' => 'MultiPolygon', 'coordinates' => $polygons];
        }
        $lines = array_map(
            static fn (\SimpleXMLElement $line): array => self::tuples((string) $line, $place),
            $placemark->xpath(
                './/*[local-name()="LineString" or local-name()="LinearRing"]/*[local-name()="coordinates"]',
            ) ?:
            [],
        );

        return $lines === []
            ? null
            : (count($lines) === 1
                ? ['type' => 'LineString', 'coordinates' => $lines[0]]
                : ['type' => 'MultiLineString', 'coordinates' => $lines]);
    }

    /** @return list<array{float, float}> */
    private static function tuples(string $text, string $place): array
    {
        return array_map(
            static function (string $tuple) use ($place): array {
                $numbers = array_map(Number::parse(...), explode(',', $tuple));

                return isset($numbers[0], $numbers[1])
                    ? [$numbers[0], $numbers[1]]
                    : throw new BadBoundary('no_position', ['place' => $place, 'text' => $tuple]);
            },
            preg_split('/\s+/', trim($text)) ?: [],
        );
    }

    /**
     * @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     * properties: array<mixed>}>
     */
    private static function gpx(\SimpleXMLElement $root): array
    {
        $areas = [];
        foreach ($root->xpath('//*[local-name()="trkseg"] | //*[local-name()="rte"]') ?: [] as $i => $line) {
            $ring = [];
            foreach ($line->xpath('*[local-name()="trkpt"] | *[local-name()="rtept"]') ?: [] as $point) {
                $ring[] = [(float) ($point['lon'] ?? NAN), (float) ($point['lat'] ?? NAN)];
            }
            $named = $line->xpath('../*[local-name()="name"] | *[local-name()="name"]') ?: [];
            if ($ring !== []) {
                $areas[] = [
                    'place' => 'track '.($i + 1),
                    'geometry' => ['type' => 'Polygon', 'coordinates' => [self::closed($ring)]],
                    'properties' => ['name' => trim((string) ($named[0] ?? ''))],
                ];
            }
        }

        return $areas;
    }

    /**
     * @param non-empty-list<array{float, float}> $ring
     * @return non-empty-list<array{float, float}>
     */
    public static function closed(array $ring): array
    {
        return $ring[0] === $ring[count($ring) - 1] ? $ring : [...$ring, $ring[0]];
    }
}
