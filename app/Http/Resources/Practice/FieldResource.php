<?php

declare(strict_types=1);

namespace App\Http\Resources\Practice;

use App\Models\PracticeField;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin PracticeField */
final class FieldResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $lesson = $this->lessonOf();

        return [
            'id' => $this->id,
            'level' => $this->level,
            'seed' => $this->seed,
            'lesson' => $lesson?->code,
            'title' => $lesson->title ?? "Ground {$this->seed}, {$this->level}",
            'class_id' => $this->class_id,
            'named' => $this->named,
            'signed' => $this->isSigned(),
            'begun_at' => $this->created_at->toIso8601ZuluString(),
        ];
    }
}
