<?php

declare(strict_types=1);

namespace App\Http\Resources\Custody;

use App\Models\CheckSoil;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property CheckSoil $resource */
final class CheckSoilResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $soil = $this->resource;

        return ['id' => $soil->id, 'name' => $soil->name, 'known' => (object) $soil->known, 'note' => $soil->note];
    }
}
