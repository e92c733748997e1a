<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Models\SignedProgram;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property SignedProgram $resource */
final class SignedLineResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            'id' => $it->id,
            'area_id' => $it->area_id,
            'crop' => $it->crop,
            'season' => $it->season,
            'signed_by' => $it->signer->name,
            'signed_at' => $it->created_at->toIso8601String(),
            'note' => $it->note,
            'hash' => $it->hash,
            'follows_id' => $it->follows_id,
            'followed_by' => $it->follower?->id,
        ];
    }
}
