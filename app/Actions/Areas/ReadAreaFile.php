<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use App\Models\Site;
use HonestCore\Agronomy\AreaName;
use HonestCore\Agronomy\Crop;
use HonestCore\Geometry\AreaFile;
use HonestCore\Geometry\Boundary;
use HonestCore\Quantity\Area;

/** Takes a file apart into areas that may be stored, named by their properties; a file with latitude first is noticed. */
final class ReadAreaFile
{
    /** @return array{areas: list<array<string, mixed>>, looks_swapped: bool} */
    public function __invoke(string $text, bool $swap, ?Site $site): array
    {
        $file = AreaFile::read($text);
        $file = $swap ? $file->swapped() : $file;
        $swapped = $file->looksSwapped($site?->longitude, $site?->latitude);
        if ($swapped && ! $this->fits($file)) {
            return ['areas' => [], 'looks_swapped' => true];
        }
        $uses = array_map(static fn (Crop $crop): string => $crop->code, Crop::all());

        return ['areas' => array_map(function (array $area) use ($uses): array {
            $wrapped = json_encode(['type' => 'Feature', 'geometry' => $area['geometry']], JSON_THROW_ON_ERROR);
            $extent = Area::ofSquareMetres(Boundary::fromGeoJson($wrapped, $area['place'])->areaM2());
            $name = $this->text($area['properties'], 'name');
            $use = $this->text($area['properties'], 'use');

            return [
                'name' => $name,
                'name_question' => $name === '' ? null : AreaName::question($name),
                'use' => in_array($use, $uses, true) ? $use : null,
                'history' => $this->text($area['properties'], 'history'),
                'boundary' => $area['geometry'],
                'area_m2' => $extent->squareMetres,
                'area_acres' => $extent->acres(),
                'area_ha' => $extent->hectares(),
            ];
        }, $file->areas), 'looks_swapped' => $swapped];
    }

    private function fits(AreaFile $file): bool
    {
        try {
            foreach ($file->areas as $area) {
                Boundary::fromGeoJson(json_encode(['type' => 'Feature', 'geometry' => $area['geometry']], JSON_THROW_ON_ERROR));
            }
        } catch (\HonestCore\Error\BadBoundary) {
            return false;
        }

        return true;
    }

    /** @param array<mixed> $properties */
    private function text(array $properties, string $key): string
    {
        $value = $properties[$key] ?? '';

        return is_scalar($value) ? mb_substr(trim((string) $value), 0, $key === 'history' ? 2000 : 80) : '';
    }
}
