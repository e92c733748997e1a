<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\SpreadOfArea;
use App\Http\Requests\Plans\PlanRequest;
use App\Http\Resources\Plans\LayoutResource;
use App\Models\Area;
use HonestCore\Sampling\Layout;

final class DraftPlan
{
    public function __invoke(PlanRequest $request, Area $area, SpreadOfArea $earlier): LayoutResource
    {
        return new LayoutResource(Layout::of($area->boundary, $request->spec(), $earlier($area)));
    }
}
