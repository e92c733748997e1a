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
        $retest = $this->resource;

        return [
            'area_id' => $retest->areaId,
            'area' => $retest->area,
            'last_pulled' => $retest->lastPulled,
            'due' => $retest->due,
            'state' => $retest->state,
            'reason' => $retest->reason,
            'composites' => $retest->composites,
        ];
    }
}
