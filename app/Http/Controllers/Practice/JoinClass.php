<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\BeginPractice;
use App\Http\Resources\Practice\FieldResource;
use App\Models\PracticeClass;
use App\Models\PracticeField;
use App\Models\User;
use HonestCore\Practice\Lesson;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Joins a class by its code: a ground of one’s own, like everybody’s. */
final class JoinClass
{
    public function __invoke(Request $request, BeginPractice $begin): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $request->validate(['code' => ['required', 'string', 'max:20']]);
        $class = PracticeClass::byCode($request->string('code')->toString()) ??
            throw ValidationException::withMessages(['code' => 'There is no class with this code. Whoever leads it can tell it.']);
        $own = PracticeField::inClass($class, $user);
        $field = $own ?? $begin(
            $user,
            $class->level,
            $class->seed,
            $class->lesson === null ? null : Lesson::named($class->lesson),
            $class,
        );

        return (new FieldResource($field))->response()->setStatusCode($own === null ? 201 : 200);
    }
}
