<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * A plan in the formats that receivers and other programs read.
 *
 * Quantity and unit: longitude and latitude in degrees, WGS 84.
 * Source: RFC 7946 (GeoJSON), GPX 1.1, OGC KML 2.2, RFC 4180 (CSV).
 */
final class PlanFile
{
    /** @return array<string, mixed> */
    public static function geoJson(Plan $plan): array
    {
        $features = [];
        foreach (self::cores($plan) as [$composite, $sequence, $longitude, $latitude]) {
            $features[] = [
                'type' => 'Feature',
                'geometry' => ['type' => 'Point', 'coordinates' => [$longitude, $latitude]],
                'properties' => ['composite' => $composite, 'sequence' => $sequence],
            ];
        }

        return ['type' => 'FeatureCollection', 'features' => $features, 'summary' => $plan->summary()];
    }

    public static function csv(Plan $plan): string
    {
        $lines = ['composite,sequence,longitude,latitude'];
        foreach (self::cores($plan) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = "{$composite},{$sequence},".self::degrees($longitude).','.self::degrees($latitude);
        }

        return implode("\n", $lines);
    }

    public static function gpx(Plan $plan): string
    {
        $lines = ['<?xml version="1.0" encoding="UTF-8"?>', '<gpx version="1.1" creator="Honest Core" xmlns="http://www.topografix.com/GPX/1/1">'];
        foreach (self::cores($plan) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = sprintf(
                '<wpt lat="%s" lon="%s"><name>%d-%02d</name></wpt>', self::degrees($latitude), self::degrees($longitude), $composite, $sequence,
            );
        }

        return implode("\n", [...$lines, '</gpx>']);
    }

    public static function kml(Plan $plan): string
    {
        $lines = ['<?xml version="1.0" encoding="UTF-8"?>', '<kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>Sampling plan</name>'];
        foreach (self::cores($plan) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = sprintf(
                '<Placemark><name>%d-%02d</name><Point><coordinates>%s,%s</coordinates></Point></Placemark>',
                $composite, $sequence, self::degrees($longitude), self::degrees($latitude),
            );
        }

        return implode("\n", [...$lines, '</Document></kml>']);
    }

    /** @return \Generator<array{int, int, float, float}> */
    private static function cores(Plan $plan): \Generator
    {
        foreach ($plan->composites as $c => $cores) {
            foreach ($cores as $s => [$longitude, $latitude]) {
                yield [$c + 1, $s + 1, $longitude, $latitude];
            }
        }
    }

    private static function degrees(float $value): string
    {
        return number_format($value, 9, '.', '');
    }
}
