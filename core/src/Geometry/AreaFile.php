<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * Areas of a file that other programs wrote: GeoJSON, KML, GPX, or boundary points as CSV.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84; each area a GeoJSON geometry with its properties.
 * Domain: up to 50,000 positions. GPX: each track segment or route is a ring, closed here. CSV: the columns longitude
 *   and latitude, and area where there are several; corners in their order.
 * Source: RFC 7946, OGC KML 2.2, GPX 1.1, RFC 4180.
 */
final readonly class AreaFile
{
    private const MOST_POSITIONS = 50_000;

    /** @param non-empty-list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> $areas */
    private function __construct(public array $areas) {}

    /**
     * @throws BadBoundary
     * @throws BadTable
     * @throws BadRow
     */
    public static function read(string $text): self
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        $start = ltrim($text);
        $areas = match (true) {
            str_starts_with($start, '{'), str_starts_with($start, '[') => self::geoJson($text),
            str_starts_with($start, '<') => self::xml($text),
            preg_match('/^[^\n]*(longitude|latitude)/i', $start) === 1 => self::csv($text),
            default => throw BadBoundary::because('the file', 'it is not JSON', 'GeoJSON, KML, GPX, or a CSV with longitude and latitude'),
        };
        $count = 0;
        array_walk_recursive($areas, static function (mixed $value) use (&$count): void {
            $count += is_int($value) || is_float($value) ? 1 : 0;
        });
        if ($count / 2 > self::MOST_POSITIONS) {
            throw BadBoundary::because('the file', 'it holds '.number_format($count / 2).' positions', 'up to '.number_format(self::MOST_POSITIONS).'; simplify it first');
        }

        return $areas === [] ? throw BadBoundary::because('the file', 'it holds no area', 'a file with at least one polygon, track or ring of points') : new self($areas);
    }

    /** The same with longitude and latitude exchanged. */
    public function swapped(): self
    {
        return new self(array_map(static fn (array $area): array => ['geometry' => ['type' => $area['geometry']['type'], 'coordinates' => self::exchange($area['geometry']['coordinates'])]] + $area, $this->areas));
    }

    /** Does it read as latitude first: off the globe as it stands, or far from a place that it would lie near the other way round? */
    public function looksSwapped(?float $longitude, ?float $latitude): bool
    {
        [$first, $second] = $this->firstPosition();
        if (abs($second) > 90 && abs($first) <= 90) {
            return true;
        }
        if ($longitude === null || $latitude === null) {
            return false;
        }
        $away = static fn (float $x, float $y): float => hypot(($x - $longitude) * cos(deg2rad($latitude)), $y - $latitude);

        return $away($first, $second) > 2 && $away($second, $first) < 1;
    }

    /** @return array{float, float} */
    private function firstPosition(): array
    {
        $node = $this->areas[0]['geometry']['coordinates'];
        while (is_array($node[0] ?? null)) {
            $node = $node[0];
        }

        return [is_numeric($node[0] ?? null) ? (float) $node[0] : 0.0, is_numeric($node[1] ?? null) ? (float) $node[1] : 0.0];
    }

    /**
     * @param array<mixed> $node
     * @return array<mixed>
     */
    private static function exchange(array $node): array
    {
        if (is_array($node[0] ?? null)) {
            return array_map(static fn (mixed $inner): mixed => is_array($inner) ? self::exchange($inner) : $inner, $node);
        }

        return count($node) < 2 ? $node : [$node[1] ?? null, $node[0] ?? null];
    }

    /** @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> */
    private static function geoJson(string $text): array
    {
        $document = json_decode($text, true);
        $features = is_array($document) && is_array($document['features'] ?? null) ? array_values($document['features']) : [$document];
        $areas = [];
        foreach (GeoJson::geometries($text) as $i => ['place' => $place, 'type' => $type, 'coordinates' => $coordinates]) {
            $feature = $features[$i] ?? null;
            $areas[] = [
                'place' => $place,
                'geometry' => ['type' => $type, 'coordinates' => $coordinates],
                'properties' => is_array($feature) && is_array($feature['properties'] ?? null) ? $feature['properties'] : [],
            ];
        }

        return $areas;
    }

    /** @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> */
    private static function xml(string $text): array
    {
        if (str_contains($text, '<!DOCTYPE') || str_contains($text, '<!ENTITY')) {
            throw BadBoundary::because('the file', 'it declares a document type', 'plain KML or GPX');
        }
        $before = libxml_use_internal_errors(true);
        $root = simplexml_load_string($text, \SimpleXMLElement::class, LIBXML_NONET);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($root === false) {
            throw BadBoundary::because('the file', 'its XML breaks off'.($error === false ? '' : " in line {$error->line}"), 'KML or GPX');
        }

        return match ($root->getName()) {
            'kml' => self::kml($root),
            'gpx' => self::gpx($root),
            default => throw BadBoundary::because('the file', "its root is {$root->getName()}", 'KML or GPX'),
        };
    }

    /** @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> */
    private static function kml(\SimpleXMLElement $root): array
    {
        $areas = [];
        foreach ($root->xpath('//*[local-name()="Placemark"]') ?: [] as $p => $placemark) {
            $named = $placemark->xpath('*[local-name()="name"]') ?: [];
            $told = $placemark->xpath('*[local-name()="description"]') ?: [];
            $polygons = [];
            foreach ($placemark->xpath('.//*[local-name()="Polygon"]') ?: [] as $polygon) {
                $rings = $polygon->xpath('.//*[local-name()="outerBoundaryIs"]//*[local-name()="coordinates"]') ?: [];
                $holes = $polygon->xpath('.//*[local-name()="innerBoundaryIs"]//*[local-name()="coordinates"]') ?: [];
                $polygons[] = array_map(static fn (\SimpleXMLElement $ring): array => self::tuples((string) $ring, 'placemark '.($p + 1)), [...$rings, ...$holes]);
            }
            if ($polygons !== []) {
                $areas[] = [
                    'place' => 'placemark '.($p + 1),
                    'geometry' => count($polygons) === 1 ? ['type' => 'Polygon', 'coordinates' => $polygons[0]] : ['type' => 'MultiPolygon', 'coordinates' => $polygons],
                    'properties' => ['name' => trim((string) ($named[0] ?? '')), 'history' => trim(strip_tags((string) ($told[0] ?? '')))],
                ];
            }
        }

        return $areas;
    }

    /** @return list<array{float, float}> */
    private static function tuples(string $text, string $place): array
    {
        return array_map(static function (string $tuple) use ($place): array {
            $numbers = array_map(Number::parse(...), explode(',', $tuple));

            return isset($numbers[0], $numbers[1]) ? [$numbers[0], $numbers[1]] : throw BadBoundary::because($place, "\"{$tuple}\" is no position", 'longitude,latitude');
        }, preg_split('/\s+/', trim($text)) ?: []);
    }

    /** @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> */
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
                $areas[] = ['place' => 'track '.($i + 1), 'geometry' => ['type' => 'Polygon', 'coordinates' => [self::closed($ring)]], 'properties' => ['name' => trim((string) ($named[0] ?? ''))]];
            }
        }

        return $areas;
    }

    /** @return list<array{place: string, geometry: array{type: string, coordinates: array<mixed>}, properties: array<mixed>}> */
    private static function csv(string $text): array
    {
        $table = CsvTable::parse($text, ['longitude', 'latitude']);
        $rings = [];
        foreach ($table->rows as $row => $cells) {
            $degrees = static fn (string $column): float => Number::parse($cells[$column]) ?? throw BadRow::at($row, "{$column} is \"{$cells[$column]}\"", 'degrees with a decimal point');
            $rings[$cells['area'] ?? ''][] = [$degrees('longitude'), $degrees('latitude')];
        }
        $areas = [];
        foreach ($rings as $name => $ring) {
            $areas[] = ['place' => $name === '' ? 'the points' : "area {$name}", 'geometry' => ['type' => 'Polygon', 'coordinates' => [self::closed($ring)]], 'properties' => ['name' => (string) $name]];
        }

        return $areas;
    }

    /**
     * @param non-empty-list<array{float, float}> $ring
     * @return non-empty-list<array{float, float}>
     */
    private static function closed(array $ring): array
    {
        return $ring[0] === $ring[count($ring) - 1] ? $ring : [...$ring, $ring[0]];
    }
}
