<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Models\VisionRecord;
use Illuminate\Http\JsonResponse;

final class ListVisionChecks
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(VisionRecord::newest(200)->map(self::shape(...)));
    }

    /** @return array<string, mixed> */
    public static function shape(VisionRecord $record): array
    {
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
