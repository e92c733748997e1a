<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\SavePlan;
use App\Http\Requests\Plans\PlanRequest;
use App\Http\Resources\Plans\PlanResource;
use App\Models\Plan;

final class UpdatePlan
{
    public function __invoke(PlanRequest $request, Plan $plan, SavePlan $save): PlanResource
    {
        return new PlanResource($save->change($plan->shown(), $request->spec(), $request->input('state')));
    }
}
