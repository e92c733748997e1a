<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Models\ProgramShare;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ProgramShare $resource */
final class ShareResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            'id' => $it->id,
            'by' => $it->author->name,
            'opened_at' => $it->created_at->toIso8601String(),
            'ends_at' => $it->ends_at->toIso8601String(),
            'withdrawn_at' => $it->withdrawn_at?->toIso8601String(),
            'open' => $it->isOpen(),
        ];
    }
}
