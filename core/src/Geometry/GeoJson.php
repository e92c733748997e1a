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
            throw new BadBoundary('file_not_json');
        }
        $found = self::collect($document, $place);
        if ($found === []) {
            throw new BadBoundary('file_holds_no_geometry');
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
                throw new BadBoundary('geometry_no_polygon', ['place' => $here, 'type' => $type]);
            }
            foreach ($type === 'Polygon' ? [$coordinates] : $coordinates as $k => $rings) {
                $where = $type === 'Polygon' ? $here : $here.', polygon '.((int) $k + 1);
                $polygons[] = ['place' => $where, 'rings' => self::rings($where, $rings)];
            }
        }
        if ($polygons === []) {
            throw new BadBoundary('file_holds_no_polygon');
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
        if (
            ! is_array($position) ||
            count($position) < 2 ||
            ! is_numeric($position[0] ?? null) ||
            ! is_numeric($position[1] ?? null) ||
            is_string($position[0]) ||
            is_string($position[1])
        ) {
            throw new BadBoundary('position_not_two_numbers', ['place' => $place]);
        }
        [$longitude, $latitude] = [(float) $position[0], (float) $position[1]];
        if (! (abs($longitude) <= 180 && abs($latitude) <= 90)) {
            throw new BadBoundary('position_lies_off_globe', [
                'place' => $place,
                'longitude' => $longitude,
                'latitude' => $latitude,
            ]);
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
            throw new BadBoundary('not_list_positions', ['place' => $place]);
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
            throw new BadBoundary('no_ring', ['place' => $place]);
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
            throw new BadBoundary('ring_of_too_few_positions', ['place' => $place, 'positions' => $n]);
        }
        if ($positions[0] !== $positions[$n - 1]) {
            throw new BadBoundary('ring_not_closed', ['place' => $place]);
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
            throw new BadBoundary('ring_no_area', ['place' => $place]);
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
            $type === 'FeatureCollection' => self::each($held, 'feature ', 'no_feature'),
            $type === 'Feature' => self::collect($held, $place),
            $type === 'GeometryCollection' => self::each($held, "{$place}, geometry ", 'no_geometry'),
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
    private static function each(array $nodes, string $what, string $reason): array
    {
        $found = [];
        foreach (array_values($nodes) as $i => $node) {
            $here = $what.($i + 1);
            if (! is_array($node)) {
                throw new BadBoundary($reason, ['place' => $here]);
            }
            array_push($found, ...self::collect($node, $here));
        }

        return $found;
    }

    /** @throws BadBoundary */
    private static function strange(string $type, string $place): never
    {
        throw new BadBoundary($type === '' ? 'no_type' : 'type_not_read', ['place' => $place, 'type' => $type]);
    }
}
