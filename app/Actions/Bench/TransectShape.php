<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\Transect;
use HonestCore\Probe\RowTransect;

/** The transects of an area with the rain and the applications beside them. */
final class TransectShape
{
    /** @return array<string, mixed> */
    public static function all(Area $area): array
    {
        $transects = Transect::query()->where('area_id', $area->id)->orderBy('read_on')->orderBy('id')->get();

        return [
            'area_id' => $area->id,
            'area' => $area->name,
            'transects' => $transects->map(self::one(...)),
            'events' => GroundEvent::query()->where('area_id', $area->id)->orderBy('on')->orderBy('id')->get()->map(
                static fn (GroundEvent $event): array => [
                    'id' => $event->id,
                    'kind' => $event->kind,
                    'on' => $event->on->format('Y-m-d'),
                    'what' => $event->what,
                    'amount' => $event->amount,
                    'unit' => $event->unit,
                ],
            ),
            'caution' => match ($transects->pluck('read_on')->unique()->count()) {
                0 => 'Nothing was read here yet.',
                1 => 'One day is a point, not a trend: what it says hangs on the rain and the applications before '.
                    'it.',
                2 => 'Two days are a difference, not a trend; rain and applications between them say more than the '.
                    'line.',
                default => 'Read the days together with the rain and the applications between them.',
            },
        ];
    }

    /** @return array<string, mixed> */
    private static function one(Transect $transect): array
    {
        $found = RowTransect::of(
            $transect->row_spacing_cm,
            array_map(
                static fn (array $place): array => [
                    'cm' => (float) $place['cm'],
                    'readings' => array_map(floatval(...), $place['readings']),
                ],
                $transect->places,
            ),
        );

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
