<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use App\Exceptions\Refused;
use App\Models\Site;
use HonestCore\Agronomy\AreaName;
use HonestCore\Agronomy\Crop;
use HonestCore\Error\BadBoundary;
use HonestCore\Geometry\AreaFile;
use HonestCore\Geometry\Boundary;
use HonestCore\Quantity\Extent;

/**
 * Takes a file apart into areas that may be stored, named by their properties; a file with latitude first is noticed.
 */
final class ReadAreaFile
{
    /**
     * @return array{areas: list<array<string, mixed>>, looks_swapped: bool, passed_over: list<array{place: string,
     * why: string}>}
     */
    public function __invoke(string $text, bool $swap, ?Site $site): array
    {
        $file = AreaFile::read($text);
        $file = $swap ? $file->swapped() : $file;
        $swapped = $file->looksSwapped($site?->longitude, $site?->latitude);
        if ($swapped && ! $this->fits($file)) {
            return ['areas' => [], 'looks_swapped' => true, 'passed_over' => []];
        }
        [$areas, $passed] = [[], $file->passedOver];
        foreach ($file->areas as $area) {
            try {
                $areas[] = $this->candidate($area);
            } catch (BadBoundary $error) {
                $passed[] = ['place' => $area['place'], 'why' => $error->forPeople()];
            }
        }
        if ($areas === []) {
            throw $passed === [] ? Refused::because('file_without_areas') : Refused::because('no_part_is_an_area', why: $passed[0]['why']);
        }

        return ['areas' => $areas, 'looks_swapped' => $swapped, 'passed_over' => $passed];
    }

    /**
     * @param array{place: string, geometry: array{type: string, coordinates: array<mixed>},
     *     properties: array<mixed>} $area
     * @return array<string, mixed>
     *
     * @throws BadBoundary for ground that cannot be an area
     */
    private function candidate(array $area): array
    {
        $wrapped = json_encode(['type' => 'Feature', 'geometry' => $area['geometry']], JSON_THROW_ON_ERROR);
        $extent = Extent::ofSquareMetres(Boundary::fromGeoJson($wrapped, $area['place'])->areaM2());
        $name = $this->text($area['properties'], [
            'name',
            'field_name',
            'fieldname',
            'field',
            'label',
            'title',
            'area',
            'bezeichnung',
            'nom',
            'nombre',
        ]);
        $use = $this->text($area['properties'], ['use']);

        return [
            'name' => $name,
            'name_question' => $name === '' ? null : AreaName::question($name),
            'use' => in_array($use, array_map(static fn (Crop $crop): string => $crop->code, Crop::all()), true)
                ? $use
                : null,
            'history' => $this->text($area['properties'], ['history', 'description', 'notes'], 2000),
            'boundary' => $area['geometry'],
            'area_m2' => $extent->squareMetres,
            'area_acres' => $extent->acres(),
            'area_ha' => $extent->hectares(),
        ];
    }

    private function fits(AreaFile $file): bool
    {
        try {
            foreach ($file->areas as $area) {
                Boundary::fromGeoJson(
                    json_encode(['type' => 'Feature', 'geometry' => $area['geometry']], JSON_THROW_ON_ERROR),
                );
            }
        } catch (BadBoundary) {
            return false;
        }

        return true;
    }

    /**
     * The first property of these names that says something, whatever the size of its letters.
     *
     * @param array<mixed> $properties
     * @param list<string> $keys
     */
    private function text(array $properties, array $keys, int $most = 80): string
    {
        $plain = array_change_key_case($properties);
        foreach ($keys as $key) {
            $value = $plain[$key] ?? null;
            if (is_scalar($value) && trim((string) $value) !== '') {
                return mb_substr(trim((string) $value), 0, $most);
            }
        }

        return '';
    }
}
