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
    public static function geoJson(Placement $plan): array
    {
        return self::features($plan->composites) + ['summary' => $plan->summary()];
    }

    public static function csv(Placement $plan): string
    {
        return self::csvOf($plan->composites);
    }

    public static function gpx(Placement $plan): string
    {
        return self::gpxOf($plan->composites);
    }

    public static function kml(Placement $plan): string
    {
        return self::kmlOf($plan->composites);
    }

    /**
     * @param list<list<array{float, float}>> $composites longitude and latitude
     * @return array<string, mixed>
     */
    public static function features(array $composites): array
    {
        $features = [];
        foreach (self::cores($composites) as [$composite, $sequence, $longitude, $latitude]) {
            $features[] = [
                'type' => 'Feature',
                'geometry' => ['type' => 'Point', 'coordinates' => [$longitude, $latitude]],
                'properties' => ['composite' => $composite, 'sequence' => $sequence],
            ];
        }

        return ['type' => 'FeatureCollection', 'features' => $features];
    }

    /** @param list<list<array{float, float}>> $composites */
    public static function csvOf(array $composites): string
    {
        $lines = ['composite,sequence,longitude,latitude'];
        foreach (self::cores($composites) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = "{$composite},{$sequence},".self::degrees($longitude).','.self::degrees($latitude);
        }

        return implode("\n", $lines);
    }

    /** @param list<list<array{float, float}>> $composites */
    public static function gpxOf(array $composites): string
    {
        $lines = [
            '<?xml version="1.0" encoding="UTF-8"?>',
            '<gpx version="1.1" creator="Honest Core" xmlns="http://www.topografix.com/GPX/1/1">',
        ];
        foreach (self::cores($composites) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = sprintf(
                '<wpt lat="%s" lon="%s"><name>%d-%02d</name></wpt>',
                self::degrees($latitude),
                self::degrees($longitude),
                $composite,
                $sequence,
            );
        }

        return implode("\n", [...$lines, '</gpx>']);
    }

    /** @param list<list<array{float, float}>> $composites */
    public static function kmlOf(array $composites): string
    {
        $lines = [
            '<?xml version="1.0" encoding="UTF-8"?>',
            '<kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>Sampling plan</name>',
        ];
        foreach (self::cores($composites) as [$composite, $sequence, $longitude, $latitude]) {
            $lines[] = sprintf(
                '<Placemark><name>%d-%02d</name><Point><coordinates>%s,%s</coordinates></Point></Placemark>',
                $composite,
                $sequence,
                self::degrees($longitude),
                self::degrees($latitude),
            );
        }

        return implode("\n", [...$lines, '</Document></kml>']);
    }

    /**
     * @param list<list<array{float, float}>> $composites
     * @return \Generator<array{int, int, float, float}>
     */
    private static function cores(array $composites): \Generator
    {
        foreach ($composites as $c => $cores) {
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
