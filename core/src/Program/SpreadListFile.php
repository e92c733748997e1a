<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Geometry\AreaFileWriter;
use HonestCore\Table\CsvWriter;

/**
 * The spread list of a program: a row for each part and product, with rate, amount and day, and as a map of rates.
 *
 * Quantity and unit: rates in lb an acre and kg/ha, amounts in lb and kg; places in degrees, WGS 84.
 * Rule: zero is a rate and is said; nothing is smoothed.
 * Source: RFC 4180 (CSV), RFC 7946 (GeoJSON), OGC KML 2.2.
 */
final class SpreadListFile
{
    private const KG_PER_LB = 0.45359237;

    private const KG_PER_HA = 0.45359237 / 0.40468564224;

    /**
     * @param list<SpreadPart> $parts
     */
    public static function csv(string $area, array $parts): string
    {
        $rows = [];
        foreach ($parts as $part) {
            foreach ($part->rates as $one) {
                $rows[] = [
                    $area, (string) $part->number, $part->label, self::figure($part->acres()), $one['name'],
                    self::figure($one['lb_per_acre']), self::figure($one['lb_per_acre'] * self::KG_PER_HA),
                    self::figure($one['lb_per_acre'] * $part->acres()),
                    self::figure($one['lb_per_acre'] * $part->acres() * self::KG_PER_LB), $one['on'],
                ];
            }
        }

        return CsvWriter::of([
            ['area', 'part', 'label', 'acres', 'product', 'lb_per_acre', 'kg_per_ha', 'lb', 'kg', 'first_on'],
            ...$rows,
        ]);
    }

    /** @param list<SpreadPart> $parts */
    public static function geoJson(string $area, array $parts): string
    {
        return json_encode(
            [
                'type' => 'FeatureCollection',
                'features' => array_map(
                    static fn (SpreadPart $part): array => [
                        'type' => 'Feature',
                        'geometry' => $part->geometry,
                        'properties' => [
                            'area' => $area,
                            'part' => $part->number,
                            'label' => $part->label,
                            'acres' => $part->acres(),
                            ...$part->byProduct(),
                        ],
                    ],
                    $parts,
                ),
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    /**
     * A map of rates to look at; the rates stand in its words, in the units of the site.
     *
     * @param list<SpreadPart> $parts
     */
    public static function kml(string $area, array $parts, SiteRates $units): string
    {
        return AreaFileWriter::kml(
            array_map(
                static fn (SpreadPart $part): array => [
                    'name' => $part->number === 0 ? $area : "{$area}, part {$part->number}",
                    'use' => '',
                    'history' => implode(
                        '; ',
                        array_map(
                            static fn (array $one): string => "{$one['name']} ".
                                $units->inWords(self::figure($one['lb_per_acre']).' lb/acre'),
                            $part->rates,
                        ),
                    ),
                    'geometry' => $part->geometry,
                ],
                $parts,
            ),
        );
    }

    private static function figure(float $value): string
    {
        return Words::trim($value, Words::decimals($value, 2));
    }
}
