<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\ReagentLot;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ReagentLot $resource */
final class LotResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $lot = $this->resource;

        return [
            'id' => $lot->id,
            'reagent' => $lot->reagent,
            'lot' => $lot->lot,
            'expires_on' => $lot->expires_on?->format('Y-m-d'),
            'price_cents' => $lot->price_cents,
            'tests' => $lot->tests,
        ];
    }
}
