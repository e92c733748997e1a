<?php

declare(strict_types=1);

namespace App\Http\Resources\Today;

use App\Actions\Today\Due;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Due $resource */
final class DueResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $due = $this->resource;

        return ['at' => $due->at?->toIso8601ZuluString()] + get_object_vars($due);
    }
}
