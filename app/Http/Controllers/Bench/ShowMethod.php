<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\BenchMethodResource;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;

final class ShowMethod
{
    public function __invoke(TestMethod $method): JsonResponse
    {
        return (new BenchMethodResource($method))->response();
    }
}
