<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Models\GroundEvent;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property GroundEvent $resource */
final class GroundEventResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> with its author and photos loaded */
    public static function row(GroundEvent $event): array
    {
        return [
            'id' => $event->id,
            'uuid' => $event->uuid,
            'kind' => $event->kind,
            'on' => $event->on->format('Y-m-d'),
            'what' => $event->what,
            'amount' => $event->amount,
            'unit' => $event->unit,
            'lb_per_acre' => $event->lb_per_acre,
            'part' => $event->part,
            'product' => $event->product,
            'program_id' => $event->program_id,
            'as_planned' => $event->as_planned,
            'weather' => $event->weather,
            'spread_by' => $event->spread_by,
            'note' => $event->note,
            'noted_by' => $event->author->name,
            'photos' => $event->photos->pluck('id')->values()->all(),
        ];
    }
}
