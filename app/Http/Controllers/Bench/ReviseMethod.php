<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\KeepMethod;
use App\Actions\Bench\MethodShape;
use App\Http\Requests\Bench\MethodRequest;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class ReviseMethod
{
    public function __invoke(MethodRequest $request, TestMethod $method, KeepMethod $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse(
            MethodShape::detail(
                $keep->revise($method, $request->integer('follows'), $request->definition(), $request->why(), $author),
            ),
        );
    }
}
