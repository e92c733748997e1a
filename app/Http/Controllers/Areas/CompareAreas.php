<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Models\Area;
use HonestCore\Sampling\SplitAdvice;
use Illuminate\Http\JsonResponse;

final class CompareAreas
{
    public function __invoke(Area $area, Area $other): JsonResponse
    {
        return new JsonResponse([
            'reasons' => SplitAdvice::between($area->factsWithLog(), $area->use, $other->factsWithLog(), $other->use),
        ]);
    }
}
