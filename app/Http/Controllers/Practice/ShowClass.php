<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\ClassResults;
use App\Http\Resources\Practice\ClassLine;
use App\Models\PracticeClass;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Results of a class side by side, without names unless somebody shows theirs. */
final class ShowClass
{
    public function __invoke(Request $request, int $class, ClassResults $results): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $found = PracticeClass::openTo($user, $class);

        return new JsonResponse(ClassLine::of($found, $user) + ['results' => $results($found, $user)]);
    }
}
