<?php

declare(strict_types=1);

namespace App\Http\Resources\Practice;

use App\Models\PracticeClass;
use App\Models\User;
use HonestCore\Practice\Lesson;

/** A class as somebody of it sees it. */
final class ClassLine
{
    /** @return array{id: int, name: string, code: string, level: string, lesson: string|null, leads: bool, people: int} */
    public static function of(PracticeClass $class, User $user): array
    {
        return [
            'id' => $class->id,
            'name' => $class->name,
            'code' => $class->code,
            'level' => $class->level,
            'lesson' => $class->lesson === null ? null : Lesson::named($class->lesson)->title,
            'leads' => $class->created_by === $user->id,
            'people' => $class->people(),
        ];
    }
}
