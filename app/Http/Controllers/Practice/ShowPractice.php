<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Http\Resources\Practice\ClassLine;
use App\Http\Resources\Practice\FieldResource;
use App\Models\PracticeClass;
use App\Models\PracticeField;
use App\Models\User;
use HonestCore\Practice\Lesson;
use HonestCore\Practice\PracticeLevel;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Where one practises: levels, lessons, one’s own grounds and classes. */
final class ShowPractice
{
    public function __invoke(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse([
            'levels' => PracticeLevel::names(),
            'lessons' => array_values(array_map(
                static fn (Lesson $lesson): array => [
                    'code' => $lesson->code, 'title' => $lesson->title, 'stage' => $lesson->stage, 'goal' => $lesson->goal,
                ],
                Lesson::all(),
            )),
            'grounds' => FieldResource::collection(PracticeField::ofPerson($user)),
            'classes' => PracticeClass::of($user)
                ->map(static fn (PracticeClass $class): array => ClassLine::of($class, $user))
                ->values(),
        ]);
    }
}
