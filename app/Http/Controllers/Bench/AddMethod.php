<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\KeepMethod;
use App\Actions\Bench\MethodShape;
use App\Http\Requests\Bench\MethodRequest;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class AddMethod
{
    public function __invoke(MethodRequest $request, KeepMethod $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse(MethodShape::detail($keep->add($request->definition(), $request->why(), $author)), 201);
    }
}
