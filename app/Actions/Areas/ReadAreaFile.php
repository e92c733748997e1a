<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use HonestCore\Agronomy\AreaName;
use HonestCore\Agronomy\Crop;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\GeoJson;
use HonestCore\Quantity\Area;

/** Takes a GeoJSON file apart into areas that may be stored: one for each polygon feature, named by its properties. */
final class ReadAreaFile
{
    /** @return list<array{name: string, name_question: string|null, use: string|null, history: string, boundary: array<string, mixed>, area_m2: float, area_acres: float, area_ha: float}> */
    public function __invoke(string $text): array
    {
        $areas = [];
        foreach (GeoJson::geometries($text) as $i => ['place' => $place, 'type' => $type, 'coordinates' => $coordinates]) {
            $geometry = ['type' => $type, 'coordinates' => $coordinates];
            $wrapped = json_encode(['type' => 'Feature', 'geometry' => $geometry], JSON_THROW_ON_ERROR);
            $area = Area::ofSquareMetres(Boundary::fromGeoJson($wrapped, $place)->areaM2());
            $properties = $this->properties($text, $i);
            $name = $this->text($properties, 'name');
            $use = $this->text($properties, 'use');
            $areas[] = [
                'name' => $name,
                'name_question' => $name === '' ? null : AreaName::question($name),
                'use' => in_array($use, array_map(static fn (Crop $crop): string => $crop->code, Crop::all()), true) ? $use : null,
                'history' => $this->text($properties, 'history'),
                'boundary' => $geometry,
                'area_m2' => $area->squareMetres,
                'area_acres' => $area->acres(),
                'area_ha' => $area->hectares(),
            ];
        }

        return $areas;
    }

    /** @return array<mixed> */
    private function properties(string $text, int $i): array
    {
        $document = json_decode(ltrim($text, "\xEF\xBB\xBF"), true);
        $feature = is_array($document) && is_array($document['features'] ?? null) ? (array_values($document['features'])[$i] ?? null) : $document;

        return is_array($feature) && is_array($feature['properties'] ?? null) ? $feature['properties'] : [];
    }

    /** @param array<mixed> $properties */
    private function text(array $properties, string $key): string
    {
        $value = $properties[$key] ?? '';

        return is_scalar($value) ? mb_substr(trim((string) $value), 0, $key === 'history' ? 2000 : 80) : '';
    }
}
