<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use HonestCore\Reckoner\ReckonerTool;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The computations that can be done without any record. */
final class ListReckoners
{
    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['units' => ['sometimes', 'string', 'in:us,metric']]);
        $isMetric = $request->query('units') === 'metric';

        return new JsonResponse(array_map(static fn (ReckonerTool $one): array => $one->toArray($isMetric), ReckonerTool::all()));
    }
}
