<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\Transect;

/** The transects of an area, with the rain and the applications beside them. */
final readonly class TransectView
{
    /**
     * @param list<Transect> $transects in the order of their days
     * @param list<GroundEvent> $events
     */
    private function __construct(public Area $area, public array $transects, public array $events) {}

    public static function of(Area $area): self
    {
        return new self(
            $area,
            array_values(
                Transect::query()->where('area_id', $area->id)->orderBy('read_on')->orderBy('id')->get()->all(),
            ),
            array_values(
                GroundEvent::standing()->where('area_id', $area->id)->orderBy('on')->orderBy('id')->get()->all(),
            ),
        );
    }

    public function days(): int
    {
        return count(
            array_unique(array_map(static fn (Transect $one): string => $one->read_on->format('Y-m-d'), $this->transects)),
        );
    }
}
