<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Http\Requests\Practice\GroundRequest;
use App\Http\Resources\Practice\ClassLine;
use App\Models\PracticeClass;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** Opens a class: the same ground for whoever joins it. */
final class OpenClass
{
    public function __invoke(GroundRequest $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $class = PracticeClass::open($user, $request->className(), $request->level(), $request->seed(), $request->lesson()?->code);

        return new JsonResponse(ClassLine::of($class, $user), 201);
    }
}
