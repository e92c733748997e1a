<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use App\Database\AllOrNothing;
use App\Exceptions\Refused;
use App\Models\Area;
use App\Models\RecordChange;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Cut;
use HonestCore\Geometry\GeoJson;

/**
 * Cuts an area in two or takes a piece out of it. The larger part stays the area it was, with its plans and samples;
 * the other becomes an area of its own with the same use, history and facts.
 */
final class DivideArea
{
    private const DECIMALS = 8;

    public function __construct(private readonly WriteArea $write) {}

    /**
     * @param array<string, mixed>|null $line GeoJSON; null parts an area of two pieces, and cuts any other across
     *                                        its middle
     * @param array{string, string} $names of the larger part and of the other
     * @return array{Area, Area}
     */
    public function inTwo(Area $area, ?array $line, array $names): array
    {
        $area->loadMissing('site');
        $pieces = GeoJson::polygons(json_encode($area->boundary, JSON_THROW_ON_ERROR));
        if ($line === null && count($pieces) === 2) {
            return $this->store(
                $area,
                array_map(fn (array $piece): array => $this->polygon($piece['rings']), $pieces),
                $names,
            );
        }
        $rings = $this->rings($area);
        $path =
            $line === null
                ? Cut::acrossTheMiddle($rings[0])
                : GeoJson::positions('the line', $line['coordinates'] ?? null);

        return $this->store($area, array_map($this->polygon(...), Cut::inTwo($rings, $path)), $names);
    }

    /**
     * @param list<array<string, mixed>> $parts
     * @param array{string, string} $names
     * @return array{Area, Area}
     */
    private function store(Area $area, array $parts, array $names): array
    {
        usort($parts, static fn (array $a, array $b): int => self::extent($b) <=> self::extent($a));

        return AllOrNothing::of(function () use ($area, $parts, $names): array {
            $fields = [
                'use' => $area->use,
                'history' => $area->history,
                'facts' => ['joined' => []] + $area->knownFacts()->toArray(),
            ];

            return [
                RecordChange::partOf(
                    fn (): Area => $this->write->write($area, ['name' => $names[0], 'boundary' => $parts[0]] + $fields),
                ),
                $this->write->new($area->site, ['name' => $names[1], 'boundary' => $parts[1]] + $fields),
            ];
        });
    }

    /** @param array<string, mixed> $piece GeoJSON polygon */
    public function takeOut(Area $area, array $piece): Area
    {
        $hole = GeoJson::polygons(json_encode($piece, JSON_THROW_ON_ERROR))[0]['rings'][0];

        return $this->write->write($area, [
            'name' => $area->name,
            'use' => $area->use,
            'history' => $area->history,
            'boundary' => $this->polygon([...$this->rings($area), $hole]),
        ]);
    }

    /** @return non-empty-list<non-empty-list<array{float, float}>> */
    private function rings(Area $area): array
    {
        $polygons = GeoJson::polygons(json_encode($area->boundary, JSON_THROW_ON_ERROR));

        return count($polygons) === 1
            ? $polygons[0]['rings']
            : throw Refused::because('area_of_parts', parts: count($polygons));
    }

    /**
     * @param list<list<array{float, float}>> $rings
     * @return array<string, mixed>
     */
    private function polygon(array $rings): array
    {
        return [
            'type' => 'Polygon',
            'coordinates' => array_map(
                static fn (array $ring): array => array_map(
                    static fn (array $p): array => [round($p[0], self::DECIMALS), round($p[1], self::DECIMALS)],
                    [...$ring, $ring[0]],
                ),
                $rings,
            ),
        ];
    }

    /** @param array<string, mixed> $polygon */
    private static function extent(array $polygon): float
    {
        return Boundary::fromGeoJson(json_encode($polygon, JSON_THROW_ON_ERROR))->areaM2();
    }
}
