<?php

declare(strict_types=1);

namespace App\Http\Resources\Areas;

use App\Models\Area;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\SplitAdvice;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Area */
final class AreaResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $extent = Extent::ofSquareMetres($this->area_m2);

        return [
            'id' => $this->id,
            'site_id' => $this->site_id,
            'name' => $this->name,
            'use' => $this->use,
            'use_name' => $this->crop()->name,
            'history' => $this->history,
            'boundary' => $this->boundary,
            'facts' => $this->knownFacts()->toArray(),
            'advice' => SplitAdvice::within($this->knownFacts(), $extent->acres()),
            'state' => $this->state(),
            'area_m2' => $extent->squareMetres,
            'area_acres' => $extent->acres(),
            'area_ha' => $extent->hectares(),
            'plan_id' => $this->whenLoaded('plans', fn () => $this->plans->max('id')),
            'samples' => $this->whenCounted('samples'),
        ];
    }
}
