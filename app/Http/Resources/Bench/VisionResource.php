<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\VisionRecord;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property VisionRecord $resource */
final class VisionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $record = $this->resource;

        return [
            'id' => $record->id,
            'reader' => $record->reader,
            'passed' => $record->passed,
            'right' => $record->right,
            'plates' => $record->plates,
            'words' => $record->words,
            'taken_on' => $record->taken_on->format('Y-m-d'),
        ];
    }
}
