<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\WeighStrategies;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;

/** Fees and attention to begin with: those of the last run, and usual ones. */
final class ShowUsualCosts
{
    public function __invoke(TestMethod $method): JsonResponse
    {
        return new JsonResponse(WeighStrategies::usual($method));
    }
}
