<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * The geometries of a GeoJSON document, their positions checked.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84.
 * Source: RFC 7946.
 */
final class GeoJson
{
    private const DEPTHS = [
        'Point' => 0,
        'MultiPoint' => 1,
        'LineString' => 1,
        'MultiLineString' => 2,
        'Polygon' => 2,
        'MultiPolygon' => 3,
    ];

    /**
     * @return list<array{place: string, type: string, coordinates: array<mixed>}>
     *
     * @throws BadBoundary
     */
    public static function geometries(string $text, string $place = 'the geometry'): array
    {
        $document = json_decode(str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text, true);
        if (! is_array($document)) {
            throw BadBoundary::because(
                'the file',
                'it is not JSON',
                'GeoJSON: a Feature, FeatureCollection or geometry',
            );
        }
        $found = self::collect($document, $place);
        if ($found === []) {
            throw BadBoundary::because(
                'the file',
                'it holds no geometry',
                'GeoJSON: a Feature, FeatureCollection or geometry',
            );
        }

        return $found;
    }

    /**
     * The polygons of a document, each a list of unclosed rings without repeated neighbours.
     *
     * @return non-empty-list<array{place: string, rings: non-empty-list<non-empty-list<array{float, float}>>}>
     *
     * @throws BadBoundary
     */
    public static function polygons(string $text, string $place = 'the geometry'): array
    {
        $polygons = [];
        foreach (
            self::geometries($text, $place) as ['place' => $here, 'type' => $type, 'coordinates' => $coordinates]
        ) {
            if ($type !== 'Polygon' && $type !== 'MultiPolygon') {
                throw BadBoundary::because($here, "it is a {$type}", 'a Polygon or MultiPolygon');
            }
            foreach ($type === 'Polygon' ? [$coordinates] : $coordinates as $k => $rings) {
                $where = $type === 'Polygon' ? $here : $here.', polygon '.((int) $k + 1);
                $polygons[] = ['place' => $where, 'rings' => self::rings($where, $rings)];
            }
        }
        if ($polygons === []) {
            throw BadBoundary::because('the file', 'it holds no polygon', 'a Polygon or MultiPolygon');
        }

        return $polygons;
    }

    /**
     * @return array{float, float}
     *
     * @throws BadBoundary
     */
    public static function position(string $place, mixed $position): array
    {
        $accepted = 'longitude from -180 to 180, then latitude from -90 to 90, in degrees';
        if (
            ! is_array($position) ||
            count($position) < 2 ||
            ! is_numeric($position[0] ?? null) ||
            ! is_numeric($position[1] ?? null) ||
            is_string($position[0]) ||
            is_string($position[1])
        ) {
            throw BadBoundary::because($place, 'a position is not two numbers', $accepted);
        }
        [$longitude, $latitude] = [(float) $position[0], (float) $position[1]];
        if (! (abs($longitude) <= 180 && abs($latitude) <= 90)) {
            throw BadBoundary::because($place, "the position {$longitude}, {$latitude} lies off the globe", $accepted);
        }

        return [$longitude, $latitude];
    }

    /**
     * @return list<array{float, float}>
     *
     * @throws BadBoundary
     */
    public static function positions(string $place, mixed $line): array
    {
        if (! is_array($line) || ! array_is_list($line)) {
            throw BadBoundary::because(
                $place,
                'it is not a list of positions',
                'a list of longitude and latitude pairs',
            );
        }

        return array_map(static fn (mixed $position): array => self::position($place, $position), $line);
    }

    /**
     * @return non-empty-list<non-empty-list<array{float, float}>>
     *
     * @throws BadBoundary
     */
    public static function rings(string $place, mixed $rings): array
    {
        if (! is_array($rings) || ! array_is_list($rings) || $rings === []) {
            throw BadBoundary::because($place, 'it has no ring', 'a closed ring of 4 positions or more');
        }

        return array_map(
            static fn (int $i, mixed $ring): array => self::ring($place.($i === 0 ? '' : ", hole {$i}"), $ring),
            array_keys($rings),
            $rings,
        );
    }

    /**
     * @return non-empty-list<array{float, float}>
     *
     * @throws BadBoundary
     */
    private static function ring(string $place, mixed $ring): array
    {
        $positions = self::positions($place, $ring);
        $n = count($positions);
        if ($n < 4) {
            throw BadBoundary::because($place, "its ring has {$n} positions", 'a closed ring of 4 positions or more');
        }
        if ($positions[0] !== $positions[$n - 1]) {
            throw BadBoundary::because(
                $place,
                'its ring is not closed',
                'a ring whose last position repeats its first',
            );
        }
        $open = [];
        foreach (array_slice($positions, 0, -1) as $position) {
            if ($open === [] || $position !== $open[count($open) - 1]) {
                $open[] = $position;
            }
        }
        while (count($open) > 1 && $open[count($open) - 1] === $open[0]) {
            array_pop($open);
        }
        if (count($open) < 3) {
            throw BadBoundary::because($place, 'its ring has no area', 'a ring round some ground');
        }

        return $open;
    }

    /**
     * @param array<mixed> $node
     * @return list<array{place: string, type: string, coordinates: array<mixed>}>
     *
     * @throws BadBoundary
     */
    private static function collect(array $node, string $place): array
    {
        $type = is_string($node['type'] ?? null) ? $node['type'] : '';
        $inner = [
            'FeatureCollection' => 'features',
            'Feature' => 'geometry',
            'GeometryCollection' => 'geometries',
        ][$type] ?? 'coordinates';
        $held = $node[$inner] ?? null;

        return match (true) {
            ! is_array($held) => self::strange($type, $place),
            $type === 'FeatureCollection' => self::each($held, 'feature ', 'it is no Feature', 'a GeoJSON Feature'),
            $type === 'Feature' => self::collect($held, $place),
            $type === 'GeometryCollection' => self::each(
                $held,
                "{$place}, geometry ",
                'it is no geometry',
                'a GeoJSON geometry',
            ),
            isset(self::DEPTHS[$type]) && array_is_list($held) => [
                ['place' => $place, 'type' => $type, 'coordinates' => $held],
            ],
            default => self::strange($type, $place),
        };
    }

    /**
     * @param array<mixed> $nodes
     * @return list<array{place: string, type: string, coordinates: array<mixed>}>
     *
     * @throws BadBoundary
     */
    private static function each(array $nodes, string $what, string $wrong, string $accepted): array
    {
        $found = [];
        foreach (array_values($nodes) as $i => $node) {
            $here = $what.($i + 1);
            if (! is_array($node)) {
                throw BadBoundary::because($here, $wrong, $accepted);
            }
            array_push($found, ...self::collect($node, $here));
        }

        return $found;
    }

    /** @throws BadBoundary */
    private static function strange(string $type, string $place): never
    {
        throw BadBoundary::because(
            $place,
            $type === '' ? 'it has no type' : "a {$type} cannot be read here",
            'a Feature, FeatureCollection, or a geometry with its coordinates',
        );
    }
}
