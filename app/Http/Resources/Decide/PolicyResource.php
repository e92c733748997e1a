<?php

declare(strict_types=1);

namespace App\Http\Resources\Decide;

use App\Models\JudgingPolicy;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin JudgingPolicy */
final class PolicyResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'analyte' => $this->analyte,
            'version' => $this->version,
            'terms' => [
                'crops' => (object) $this->cropLimits(),
                'blind' => $this->terms->blind,
                'together' => $this->terms->together,
                'records' => $this->terms->records,
            ] + $this->terms->toRow(),
            'pairs_then' => $this->pairs_then,
            'reason' => $this->reason,
            'author' => $this->whenLoaded('author', fn (): string => $this->author->name),
            'made_at' => $this->created_at->toIso8601ZuluString(),
        ];
    }
}
