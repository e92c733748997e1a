<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\WeighStrategies;
use App\Http\Requests\Decide\StrategyRequest;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;

final class CompareStrategies
{
    public function __invoke(StrategyRequest $request, TestMethod $method, WeighStrategies $compare): JsonResponse
    {
        return new JsonResponse($compare($method, $request->asked()));
    }
}
