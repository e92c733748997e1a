<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Models\LocalFactorInUse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property LocalFactorInUse $resource */
final class LocalFactorResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            ...$this->resource->factor->toRow(),
            'reason' => $this->resource->reason,
            'signed_by' => $this->resource->signer->name,
            'signed_at' => $this->resource->created_at->toIso8601ZuluString(),
            'ended_at' => $this->resource->ended_at?->toIso8601ZuluString(),
        ];
    }
}
