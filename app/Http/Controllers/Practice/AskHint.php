<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Exceptions\Conflict;
use App\Models\PracticeField;
use Illuminate\Http\JsonResponse;

/** The hint of the lesson one is in, for who asks. */
final class AskHint
{
    public function __invoke(): JsonResponse
    {
        $field = PracticeField::here();
        $lesson = $field?->lessonOf() ?? throw Conflict::because('practice_not_here');
        $field->hinted_at === null && $field->update(['hinted_at' => now()]);

        return new JsonResponse(['hint' => $lesson->hint]);
    }
}
