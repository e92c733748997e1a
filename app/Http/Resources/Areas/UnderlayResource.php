<?php

declare(strict_types=1);

namespace App\Http\Resources\Areas;

use App\Models\Underlay;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Underlay */
final class UnderlayResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'width' => $this->width,
            'height' => $this->height,
            'known' => $this->known,
            'corners' => $this->corners(),
        ];
    }
}
