<?php

declare(strict_types=1);

namespace App\Http\Resources\Plans;

use App\Http\Resources\Areas\AreaResource;
use App\Models\Plan;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Plan */
final class PlanResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'area' => new AreaResource($this->area),
            'author' => $this->author->name,
            'saved_at' => $this->updated_at->toIso8601ZuluString(),
            'state' => $this->specState(),
            'spec' => $this->spec->toRow(),
            'boundary' => $this->boundary,
            'pull_on' => $this->pull_on?->format('Y-m-d'),
            'too_soon' => $this->samples->isNotEmpty() ? [] : $this->tooSoon(),
            'boundary_moved' => $this->boundary != $this->area->boundary,
            'layout' => $this->layout->toRow(),
            'samples' => $this->samples->pluck('code')->all(),
        ];
    }
}
