<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\KeepMethod;
use App\Http\Requests\Bench\MethodRequest;
use App\Http\Resources\Bench\BenchMethodResource;
use App\Models\TestMethod;
use App\Models\User;

final class ReviseMethod
{
    public function __invoke(MethodRequest $request, TestMethod $method, KeepMethod $keep): BenchMethodResource
    {
        /** @var User $author */
        $author = $request->user();

        $revised = $keep->revise(
            $method,
            $request->integer('follows'),
            $request->definition(),
            $request->why(),
            $author,
        );

        return new BenchMethodResource($revised);
    }
}
