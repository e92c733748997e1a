<?php

declare(strict_types=1);

namespace App\Http\Resources\Today;

use App\Actions\Today\Waiting;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Waiting $resource */
final class WaitingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return get_object_vars($this->resource);
    }
}
