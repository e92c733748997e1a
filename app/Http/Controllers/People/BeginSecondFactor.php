<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\GuardWithCode;
use App\Http\Requests\People\OwnPasswordRequest;
use Illuminate\Http\JsonResponse;

/** Begins a second factor; it guards nothing until a code has confirmed it. */
final class BeginSecondFactor
{
    public function __invoke(OwnPasswordRequest $request, GuardWithCode $guard): JsonResponse
    {
        return new JsonResponse($guard->begin($request->person()), 201);
    }
}
