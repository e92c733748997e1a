<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;

/**
 * Areas in a CSV: corners in their order with longitude and latitude, or a row an area with its geometry in well-known
 * text.
 *
 * Quantity and unit: degrees, WGS 84, decimal or in degrees, minutes and seconds.
 * Domain: columns longitude/latitude, lon/lat, long, lng, x/y, and area, name or field where there are several; wkt,
 * geometry, geom.
 *   x and y that are no degrees are refused: the system they are in would be a guess.
 */
final class CsvAreas
{
    private const LONGITUDE = [
        'longitude',
        'lon',
        'long',
        'lng',
        'x',
        'easting',
        'lon_dd',
        'longitude_dd',
        'länge',
        'laenge',
        'longitud',
    ];

    private const LATITUDE = ['latitude', 'lat', 'y', 'northing', 'lat_dd', 'latitude_dd', 'breite', 'latitud'];

    private const NAME = ['area', 'name', 'field', 'field_name', 'id', 'polygon', 'zone', 'part'];

    private const WKT = ['wkt', 'geometry', 'geom', 'the_geom', 'shape', 'wkt_geom'];

    public static function looksLike(string $text): bool
    {
        $header = self::columns($text);

        return array_intersect($header, self::WKT) !== [] ||
            (array_intersect($header, self::LONGITUDE) !== [] && array_intersect($header, self::LATITUDE) !== []);
    }

    /**
     * @return list<array{place: string, geometry: array{type: string,
     *     coordinates: array<mixed>}|string|BadBoundary, properties: array<mixed>}>
     *
     * @throws BadBoundary
     * @throws BadTable
     * @throws BadRow
     */
    public static function read(string $text): array
    {
        $header = self::columns($text);
        $text = str_contains(strtok($text, "\n") ?: '', "\t") ? str_replace("\t", ';', $text) : $text;
        $wkt = array_values(array_intersect(self::WKT, $header))[0] ?? null;
        $name = array_values(array_intersect(self::NAME, $header))[0] ?? null;
        if ($wkt !== null) {
            $rows = CsvTable::parse($text, [$wkt])->rows;

            return array_map(
                static fn (array $cells, int $row): array => [
                    'place' => "row {$row}",
                    'geometry' => $cells[$wkt],
                    'properties' => ['name' => $name === null ? '' : $cells[$name]] + $cells,
                ],
                $rows,
                array_keys($rows),
            );
        }
        $longitude = array_values(array_intersect(self::LONGITUDE, $header))[0] ?? 'longitude';
        $latitude = array_values(array_intersect(self::LATITUDE, $header))[0] ?? 'latitude';
        $rings = [];
        foreach (CsvTable::parse($text, [$longitude, $latitude])->rows as $row => $cells) {
            $rings[$name === null ? '' : $cells[$name]][] = [
                self::degrees($row, $longitude, $cells[$longitude], 180),
                self::degrees($row, $latitude, $cells[$latitude], 180),
            ];
        }
        $areas = [];
        foreach ($rings as $of => $ring) {
            $areas[] = [
                'place' => $of === '' ? 'the points' : "area {$of}",
                'geometry' => ['type' => 'Polygon', 'coordinates' => [AreaFile::closed($ring)]],
                'properties' => ['name' => (string) $of],
            ];
        }

        return $areas;
    }

    /** @throws BadRow */
    private static function degrees(int $row, string $column, string $text, float $most): float
    {
        $degrees =
            Degrees::parse($text) ??
            throw new BadRow('no_degrees', ['place' => $row, 'column' => $column, 'text' => $text]);

        return abs($degrees) <= $most
            ? $degrees
            : throw new BadRow('metres_of_a_grid', [
                'place' => $row,
                'column' => $column,
                'text' => $text,
            ]);
    }

    /** @return list<string> */
    private static function columns(string $text): array
    {
        $line = strtok(ltrim(str_replace("\r", "\n", $text)), "\n");

        return array_map(
            static fn (string $cell): string => mb_strtolower(trim($cell, " \t\"'")),
            preg_split('/[,;\t]/', $line === false ? '' : $line) ?: [],
        );
    }
}
