<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\BeginPractice;
use App\Http\Requests\Practice\GroundRequest;
use App\Http\Resources\Practice\FieldResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** Makes a practice ground, or begins a lesson. */
final class BeginGround
{
    public function __invoke(GroundRequest $request, BeginPractice $begin): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $field = $begin($user, $request->level(), $request->seed(), $request->lesson(), pairs: $request->pairs());

        return (new FieldResource($field))->response()->setStatusCode(201);
    }
}
