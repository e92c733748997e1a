<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Table\Number;

/**
 * A geometry in well-known text: POLYGON, MULTIPOLYGON or a closed LINESTRING, with or without SRID=4326.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84.
 * Source: OGC Simple Features 06-103r4.
 */
final class Wkt
{
    private const START = '/^\s*(?:SRID\s*=\s*(\d+)\s*;)?\s*(MULTIPOLYGON|POLYGON|LINESTRING|MULTILINESTRING|POINT|'.
        'MULTIPOINT|GEOMETRYCOLLECTION)\s*(?:Z|M|ZM)?\s*\(/i';

    public static function looksLike(string $text): bool
    {
        return preg_match(self::START, $text) === 1;
    }

    /**
     * @return array{type: string, coordinates: array<mixed>} GeoJSON
     *
     * @throws BadBoundary
     */
    public static function read(string $text, string $place): array
    {
        if (preg_match(self::START, $text, $m) !== 1) {
            throw new BadBoundary('no_well_known_text', ['place' => $place]);
        }
        if ($m[1] !== '' && $m[1] !== '4326') {
            throw new BadBoundary('wkt_coordinates_of_a_grid', ['place' => $place, 'code' => $m[1]]);
        }
        $depth =
            ['MULTIPOLYGON' => 3, 'POLYGON' => 2, 'LINESTRING' => 1][strtoupper($m[2])] ??
            throw new BadBoundary('wkt_no_polygon', ['place' => $place, 'type' => strtoupper($m[2])]);
        $body = substr($text, (int) strpos($text, '('));
        $json = (string) preg_replace_callback(
            '/[^(),]+/',
            static fn (array $run): string => self::position($run[0], $place),
            $body,
        );
        $coordinates = json_decode(strtr($json, ['(' => '[', ')' => ']']), true, 8);
        if (! is_array($coordinates) || self::depth($coordinates) !== $depth + 1) {
            throw new BadBoundary('brackets_do_not_match', ['place' => $place]);
        }

        return [
            'type' => [1 => 'LineString', 2 => 'Polygon', 3 => 'MultiPolygon'][$depth],
            'coordinates' => $coordinates,
        ];
    }

    private static function position(string $run, string $place): string
    {
        $trimmed = trim($run);
        if ($trimmed === '' || $trimmed === ';') {
            return '';
        }
        $numbers = array_map(Number::parse(...), preg_split('/\s+/', $trimmed) ?: []);
        if (count($numbers) < 2 || $numbers[0] === null || ($numbers[1] ?? null) === null) {
            throw new BadBoundary('wkt_no_position', [
                'place' => $place,
                'text' => mb_substr($trimmed, 0, 40),
            ]);
        }

        return json_encode([$numbers[0], $numbers[1]], JSON_THROW_ON_ERROR);
    }

    private static function depth(mixed $node): int
    {
        return is_array($node) ? 1 + self::depth($node[0] ?? null) : 0;
    }
}
