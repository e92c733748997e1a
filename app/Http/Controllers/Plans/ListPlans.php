<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\PlansOfSite;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** All plans of a site in short, newest first. */
final class ListPlans
{
    public function __invoke(Request $request, PlansOfSite $plans): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn (array $line): array => [
                    'id' => $line['plan']->id,
                    'area_id' => $line['plan']->area_id,
                    'area' => $line['plan']->area->name,
                    'author' => $line['plan']->author->name,
                    'saved_at' => $line['plan']->updated_at->toIso8601ZuluString(),
                    'layers' => $line['plan']->spec->layers,
                    'cores' => $line['plan']->spec->cores,
                    'composites' => $line['plan']->composites,
                    'to_pull' => $line['to_pull'],
                    'too_soon' => $line['too_soon'],
                    'pull_on' => $line['plan']->pull_on?->format('Y-m-d'),
                    'minutes' => $line['plan']->minutes,
                    'pattern' => $line['plan']->spec->pattern->value,
                    'walk_m' => $line['plan']->walk_m,
                    'samples' => $line['plan']->samples->pluck('code')->all(),
                ],
                $plans($request->integer('site_id')),
            ),
        );
    }
}
