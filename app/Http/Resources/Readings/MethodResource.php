<?php

declare(strict_types=1);

namespace App\Http\Resources\Readings;

use App\Models\TestMethod;
use HonestCore\Agreement\Band;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin TestMethod */
final class MethodResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'code' => $this->code,
            'name' => $this->name,
            'analyte' => $this->analyte,
            'workplace' => $this->workplace,
            'school' => $this->school,
            'bands' => $this->bands === null
                ? null
                : array_map(static fn (Band $band): array => $band->toRow(), $this->bands),
            'uncertainty' => $this->uncertainty,
            'lot' => $this->lot,
        ];
    }
}
