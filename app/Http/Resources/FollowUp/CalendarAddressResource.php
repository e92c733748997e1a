<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Models\CalendarAddress;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property CalendarAddress $resource */
final class CalendarAddressResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            'name' => $this->resource->name,
            'opened_by' => $this->resource->author->name,
            'opened_at' => $this->resource->created_at->toIso8601ZuluString(),
            'withdrawn_at' => $this->resource->withdrawn_at?->toIso8601ZuluString(),
        ];
    }
}
