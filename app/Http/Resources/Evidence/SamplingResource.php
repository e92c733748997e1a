<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\SamplingOfLab;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property SamplingOfLab $resource */
final class SamplingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $figures = $this->resource->figures;

        return [
            'method_id' => $this->resource->lab->id,
            'method' => $this->resource->lab->name,
            'pairs_of_composites' => $figures->pairsOfComposites,
            'hidden_pairs' => $figures->hiddenPairs,
            'split' => $figures->split?->toArray(),
            'sd_analysis' => $figures->sdAnalysis,
            'sd_measurement' => $figures->sdMeasurement,
            'expanded' => $figures->expanded,
            'used' => $figures->used,
            'words' => $figures->words,
            'close' => $this->resource->close,
        ];
    }
}
