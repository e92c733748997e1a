<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\SavePlan;
use App\Http\Requests\Plans\PlanRequest;
use App\Http\Resources\Plans\PlanResource;
use App\Models\Area;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreatePlan
{
    public function __invoke(PlanRequest $request, Area $area, SavePlan $save): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return (new PlanResource($save->new($area, $author, $request->spec())->shown()))
            ->response()
            ->setStatusCode(201);
    }
}
