<?php

declare(strict_types=1);

namespace App\Http\Resources\Areas;

use App\Models\Landmark;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Landmark */
final class LandmarkResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'geometry' => $this->geometry,
            'distance_m' => $this->distance_m,
        ];
    }
}
