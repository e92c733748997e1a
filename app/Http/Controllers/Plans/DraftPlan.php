<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\EarlierSpread;
use App\Actions\Plans\LayOut;
use App\Http\Requests\Plans\PlanRequest;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

final class DraftPlan
{
    public function __invoke(PlanRequest $request, Area $area, LayOut $layOut, EarlierSpread $earlier): JsonResponse
    {
        return new JsonResponse($layOut($area->boundary, $request->spec(), $earlier($area)));
    }
}
