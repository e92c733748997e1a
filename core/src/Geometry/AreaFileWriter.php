<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * Areas in the formats that other programs read.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84.
 * Source: RFC 7946, OGC KML 2.2, GPX 1.1 (outer rings as tracks; GPX has no holes).
 */
final class AreaFileWriter
{
    /** @param list<array{name: string, use: string, history: string, geometry: array<string, mixed>}> $areas */
    public static function geoJson(array $areas): string
    {
        return json_encode(
            [
                'type' => 'FeatureCollection',
                'features' => array_map(
                    static fn (array $area): array => [
                        'type' => 'Feature',
                        'geometry' => $area['geometry'],
                        'properties' => ['name' => $area['name'], 'use' => $area['use'], 'history' => $area['history']],
                    ],
                    $areas,
                ),
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    /** @param list<array{name: string, use: string, history: string, geometry: array<string, mixed>}> $areas */
    public static function kml(array $areas): string
    {
        $lines = [
            '<?xml version="1.0" encoding="UTF-8"?>',
            '<kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>Sampling areas</name>',
        ];
        foreach ($areas as $area) {
            $polygons = '';
            foreach (self::polygons($area['geometry']) as $rings) {
                $polygons .= '<Polygon>';
                foreach ($rings as $i => $ring) {
                    $tag = $i === 0 ? 'outerBoundaryIs' : 'innerBoundaryIs';
                    $tuples = implode(' ', array_map(static fn (array $p): string => "{$p[0]},{$p[1]}", $ring));
                    $polygons .= "<{$tag}><LinearRing><coordinates>{$tuples}</coordinates></LinearRing></{$tag}>";
                }
                $polygons .= '</Polygon>';
            }
            $lines[] =
                '<Placemark><name>'.
                self::text($area['name']).
                '</name><description>'.
                self::text($area['history']).
                "</description><MultiGeometry>{$polygons}</MultiGeometry></Placemark>";
        }

        return implode("\n", [...$lines, '</Document></kml>']);
    }

    /** @param list<array{name: string, use: string, history: string, geometry: array<string, mixed>}> $areas */
    public static function gpx(array $areas): string
    {
        $lines = [
            '<?xml version="1.0" encoding="UTF-8"?>',
            '<gpx version="1.1" creator="Honest Core" xmlns="http://www.topografix.com/GPX/1/1">',
        ];
        foreach ($areas as $area) {
            $segments = array_map(
                static fn (array $rings): string => '<trkseg>'.
                    implode(
                        '',
                        array_map(
                            static fn (array $p): string => "<trkpt lat=\"{$p[1]}\" lon=\"{$p[0]}\"/>",
                            $rings[0] ?? [],
                        ),
                    ).
                    '</trkseg>',
                self::polygons($area['geometry']),
            );
            $lines[] = '<trk><name>'.self::text($area['name']).'</name>'.implode('', $segments).'</trk>';
        }

        return implode("\n", [...$lines, '</gpx>']);
    }

    /**
     * @param array<string, mixed> $geometry
     * @return list<list<list<array{float, float}>>>
     */
    private static function polygons(array $geometry): array
    {
        /** @var list<list<list<array{float, float}>>> $polygons */
        $polygons = $geometry['type'] === 'MultiPolygon' ? $geometry['coordinates'] : [$geometry['coordinates']];

        return $polygons;
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES);
    }
}
