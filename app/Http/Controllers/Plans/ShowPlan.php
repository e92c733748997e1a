<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Http\Resources\Plans\PlanResource;
use App\Models\Plan;

final class ShowPlan
{
    public function __invoke(Plan $plan): PlanResource
    {
        return new PlanResource($plan->shown());
    }
}
