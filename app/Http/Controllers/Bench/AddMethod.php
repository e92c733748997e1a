<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\KeepMethod;
use App\Http\Requests\Bench\MethodRequest;
use App\Http\Resources\Bench\BenchMethodResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class AddMethod
{
    public function __invoke(MethodRequest $request, KeepMethod $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return (new BenchMethodResource($keep->add($request->definition(), $request->why(), $author)))->response()->setStatusCode(201);
    }
}
