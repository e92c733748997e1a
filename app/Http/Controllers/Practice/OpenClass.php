<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Http\Requests\Practice\GroundRequest;
use App\Http\Resources\Practice\ClassLine;
use App\Models\PracticeClass;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

/** Opens a class: the same ground for whoever joins it. */
final class OpenClass
{
    private const CODE = 8;

    public function __invoke(GroundRequest $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $lesson = $request->lesson();
        $class = PracticeClass::query()->create([
            'team_id' => $user->team_id,
            'created_by' => $user->id,
            'name' => $request->className(),
            'code' => Str::upper(Str::random(self::CODE)),
            'level' => $request->level(),
            'seed' => $request->seed(),
            'lesson' => $lesson?->code,
        ]);

        return new JsonResponse(ClassLine::of($class, $user), 201);
    }
}
