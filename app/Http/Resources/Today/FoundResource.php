<?php

declare(strict_types=1);

namespace App\Http\Resources\Today;

use App\Actions\Today\Found;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Found $resource */
final class FoundResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return get_object_vars($this->resource);
    }
}
