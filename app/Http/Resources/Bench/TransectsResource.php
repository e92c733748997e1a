<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Actions\Bench\TransectView;
use App\Models\GroundEvent;
use App\Models\Transect;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\GroundHistory;
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
            'events' => self::events($view),
            'caution' => RowTransect::caution($view->days()),
        ];
    }

    /**
     * What was noted, and what the facts of the area say of one day: they have no number, since they are changed there.
     *
     * @return list<array<string, mixed>>
     */
    private static function events(TransectView $view): array
    {
        $events = [
            ...array_map(
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
            ...array_map(
                static fn (GroundAct $act): array => [
                    'id' => 0,
                    'kind' => $act->kind,
                    'on' => $act->from,
                    'what' => $act->what,
                    'amount' => 0,
                    'unit' => '',
                ],
                array_values(
                    array_filter(
                        GroundHistory::of($view->area->knownFacts(), [])->acts,
                        static fn (GroundAct $act): bool => $act->isOfOneDay(),
                    ),
                ),
            ),
        ];
        usort($events, static fn (array $a, array $b): int => [$a['on'], $a['id']] <=> [$b['on'], $b['id']]);

        return $events;
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
