<?php

declare(strict_types=1);

namespace App\Http\Resources\Labs;

use App\Models\Lab;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Lab $resource */
final class LabResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['state' => $this->resource->state()] + $this->resource->only([
            'id',
            'name',
            'address',
            'email',
            'turnaround_days',
            'transit_days',
            'holidays',
            'bag_ml',
            'quarantine',
            'tests',
            'form',
            'columns',
            'service',
        ]);
    }
}
