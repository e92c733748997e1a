<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use HonestCore\Reckoner\ReckonerTool;
use Illuminate\Http\JsonResponse;

/** The computations that can be done without any record. */
final class ListReckoners
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(array_map(static fn (ReckonerTool $one): array => $one->toArray(), ReckonerTool::all()));
    }
}
