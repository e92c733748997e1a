<?php

declare(strict_types=1);

namespace App\Http\Resources\Areas;

use App\Models\Site;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Site */
final class SiteResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'letters' => $this->letters,
            'address' => $this->address,
            'timezone' => $this->timezone,
            'units' => $this->units,
            'school' => $this->school,
            'nutrient_school' => $this->nutrient_school ?? 'build',
            'lime_school' => $this->lime_school ?? '',
            'owner' => $this->owner ?? '',
            'phone' => $this->phone ?? '',
            'latitude' => $this->latitude,
            'longitude' => $this->longitude,
            'state' => $this->state(),
            'areas' => AreaResource::collection($this->whenLoaded('areas')),
            'landmarks' => LandmarkResource::collection($this->whenLoaded('landmarks')),
        ];
    }
}
