<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Models\Plan;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** All plans of a site in short, newest first. */
final class ListPlans
{
    public function __invoke(Request $request): JsonResponse
    {
        $plans = Plan::query()->with(['area', 'author', 'samples:id,plan_id,code,composite'])
            ->whereHas('area', static fn ($areas) => $areas->where('site_id', $request->integer('site_id')))
            ->orderByDesc('id')->get();

        return new JsonResponse($plans->map(static fn (Plan $plan): array => [
            'id' => $plan->id,
            'area_id' => $plan->area_id,
            'area' => $plan->area->name,
            'author' => $plan->author->name,
            'saved_at' => $plan->updated_at->toIso8601ZuluString(),
            'layers' => $plan->spec['layers'],
            'cores' => $plan->spec['cores'],
            'composites' => count($plan->layout['composites']),
            'to_pull' => $plan->toPull(),
            'minutes' => $plan->layout['minutes'],
            'pattern' => $plan->spec['pattern'],
            'walk_m' => $plan->layout['walk_m'],
            'samples' => $plan->samples->pluck('code')->all(),
        ]));
    }
}
