<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Actions\FollowUp\RetestDate;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property RetestDate $resource */
final class RetestResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /**
     * @param array<int, string> $labs by area
     * @return array<string, mixed>
     */
    public static function row(RetestDate $retest, array $labs = []): array
    {
        return [
            'lab' => $labs[$retest->areaId] ?? '',
            'area_id' => $retest->areaId,
            'area' => $retest->area,
            'site' => $retest->site,
            'last_pulled' => $retest->lastPulled,
            'due' => $retest->due,
            'state' => $retest->state(),
            'reasons' => $retest->reasons,
            'composites' => $retest->composites,
            'minutes' => $retest->minutes,
            'moved_to' => $retest->movedTo,
        ];
    }
}
