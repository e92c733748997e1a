<?php

declare(strict_types=1);

namespace App\Http\Resources\Records;

use App\Models\RecordSet;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin RecordSet */
final class RecordSetResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'method_id' => $this->method_id,
            'method' => $this->method->name,
            'reference_id' => $this->reference_id,
            'reference' => $this->reference->name,
            'file_name' => $this->file_name,
            'says' => $this->says,
            'use' => $this->use,
            'rows' => $this->pairs_count,
            'left_out' => $this->left_out,
            'by' => $this->author->name,
            'taken_at' => $this->created_at->toIso8601ZuluString(),
            'withdrawn_at' => $this->withdrawn_at?->toIso8601ZuluString(),
        ];
    }
}
