<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Plan;
use Illuminate\Database\Eloquent\Builder;

/** A site's plans without their cores, newest first, and what is left to pull by each. */
final class PlansOfSite
{
    private const IN_SHORT = ['id', 'team_id', 'area_id', 'created_by', 'spec', 'composites', 'walk_m', 'minutes', 'pull_on', 'created_at', 'updated_at'];

    /** @return list<array{plan: Plan, to_pull: list<int>}> nothing is left of a plan that a newer one of its area replaced before it was begun */
    public function __invoke(int $siteId): array
    {
        $plans = Plan::query()->select(self::IN_SHORT)->with(['area:id,name', 'author:id,name', 'samples:id,plan_id,code,composite'])
            ->whereHas('area', static fn (Builder $areas) => $areas->where('site_id', $siteId))->orderByDesc('id')->get();
        $newest = $plans->groupBy('area_id')->map(static fn ($own) => $own->max('id'));
        $lines = [];
        foreach ($plans as $plan) {
            $replaced = $newest[$plan->area_id] !== $plan->id && $plan->samples->isEmpty();
            $lines[] = ['plan' => $plan, 'to_pull' => $replaced ? [] : $plan->toPull()];
        }

        return $lines;
    }
}
