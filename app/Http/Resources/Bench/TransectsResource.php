<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Actions\Bench\TransectView;
use App\Models\GroundEvent;
use App\Models\Transect;
use HonestCore\Probe\RowTransect;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property TransectView $resource */
final class TransectsResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;

        return [
            'area_id' => $view->area->id,
            'area' => $view->area->name,
            'transects' => array_map(self::one(...), $view->transects),
            'events' => array_map(
                static fn (GroundEvent $event): array => [
                    'id' => $event->id,
                    'kind' => $event->kind,
                    'on' => $event->on->format('Y-m-d'),
                    'what' => $event->what,
                    'amount' => $event->amount,
                    'unit' => $event->unit,
                ],
                $view->events,
            ),
            'caution' => RowTransect::caution($view->days()),
        ];
    }

    /** @return array<string, mixed> */
    private static function one(Transect $transect): array
    {
        $found = $transect->across();

        return [
            'id' => $transect->id,
            'read_on' => $transect->read_on->format('Y-m-d'),
            'reader' => $transect->reader,
            'instrument' => $transect->instrument,
            'row_spacing_cm' => $transect->row_spacing_cm,
            'places' => $found->places,
            'mean_across' => $found->meanAcross,
            'from_cm' => $found->fromCm,
            'to_cm' => $found->toCm,
            'cautions' => $found->cautions,
            'note' => $transect->note,
        ];
    }
}
