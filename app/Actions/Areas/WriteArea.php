<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use App\Database\AllOrNothing;
use App\Models\Area;
use App\Models\Site;
use HonestCore\Geometry\Boundary;
use HonestCore\Sampling\AreaFacts;

/** Stores an area with its extent, once its boundary is known to be ground. */
final class WriteArea
{
    /**
     * @param array{name: string, use: string, history: string, boundary: array<string, mixed>, facts?: array<string,
     * mixed>} $fields
     */
    public function new(Site $site, array $fields): Area
    {
        return $this->write(new Area(['site_id' => $site->id, 'facts' => AreaFacts::of([])->toArray()]), $fields);
    }

    /**
     * All of them or none.
     *
     * @param list<array{name: string, use: string, history: string, boundary: array<string, mixed>}> $areas
     * @return list<Area>
     */
    public function all(Site $site, array $areas): array
    {
        return AllOrNothing::of(
            fn (): array => array_map(fn (array $fields): Area => $this->new($site, $fields), $areas),
        );
    }

    /**
     * @param array{name: string, use: string, history: string, boundary: array<string, mixed>, facts?: array<string,
     * mixed>} $fields
     * @param string|null $basedOn the state that the edit began from
     */
    public function change(Area $area, array $fields, ?string $basedOn): Area
    {
        return AllOrNothing::of(function () use ($area, $fields, $basedOn): Area {
            $area->standsAt($basedOn);

            return $this->write($area, $fields);
        });
    }

    /**
     * @param array{name: string, use: string, history: string, boundary: array<string, mixed>, facts?: array<string,
     * mixed>} $fields
     */
    public function write(Area $area, array $fields): Area
    {
        $boundary = Boundary::fromGeoJson(json_encode($fields['boundary'], JSON_THROW_ON_ERROR));
        $area->fill([...$fields, 'area_m2' => $boundary->areaM2()])->save();

        return $area;
    }
}
