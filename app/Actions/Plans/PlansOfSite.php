<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Area;
use App\Models\Plan;
use App\Models\Sample;
use Illuminate\Database\Eloquent\Builder;

/** A site's plans without their cores, newest first, and what is left to pull by each. */
final class PlansOfSite
{
    private const IN_SHORT = [
        'id',
        'team_id',
        'area_id',
        'created_by',
        'spec',
        'composites',
        'walk_m',
        'minutes',
        'pull_on',
        'created_at',
        'updated_at',
    ];

    private const DONE_SHOWN = 100;

    /**
     * @return list<array{plan: Plan, to_pull: list<int>}> all that wait, and the newest of those that were pulled or
     *                                                     replaced
     */
    public function __invoke(int $siteId): array
    {
        return $this->lines(
            $this->ofSite($siteId)->where(
                static fn (Builder $plans) => $plans->whereIn('id', self::open())->orWhereIn(
                    'id',
                    Plan::query()
                        ->select('id')
                        ->whereIn('area_id', Area::query()->where('site_id', $siteId)->select('id'))
                        ->orderByDesc('id')
                        ->limit(self::DONE_SHOWN),
                ),
            ),
        );
    }

    /** @return list<array{plan: Plan, to_pull: list<int>}> that wait, newest first */
    public function waiting(int $siteId): array
    {
        return array_values(
            array_filter(
                $this->lines($this->ofSite($siteId)->whereIn('id', self::open())),
                static fn (array $line): bool => $line['to_pull'] !== [],
            ),
        );
    }

    /**
     * Nothing is left of a plan that a newer one of its area replaced before it was begun.
     *
     * @param Builder<Plan> $plans
     * @return list<array{plan: Plan, to_pull: list<int>}>
     */
    private function lines(Builder $plans): array
    {
        $found = $plans
            ->select(self::IN_SHORT)
            ->with(['area:id,name', 'author:id,name', 'samples:id,plan_id,code,composite'])
            ->orderByDesc('id')
            ->get();
        $newest = Plan::query()
            ->whereIn('area_id', $found->pluck('area_id')->unique())
            ->groupBy('area_id')
            ->selectRaw('area_id, MAX(id) AS newest')
            ->pluck('newest', 'area_id');
        $lines = [];
        foreach ($found as $plan) {
            $replaced = $newest[$plan->area_id] !== $plan->id && $plan->samples->isEmpty();
            $lines[] = ['plan' => $plan, 'to_pull' => $replaced ? [] : $plan->toPull()];
        }

        return $lines;
    }

    /** @return Builder<Plan> */
    private function ofSite(int $siteId): Builder
    {
        return Plan::query()->whereIn('area_id', Area::query()->where('site_id', $siteId)->select('id'));
    }

    /** @return Builder<Plan> plans with a composite that nothing was pulled of */
    private static function open(): Builder
    {
        return Plan::query()
            ->select('id')
            ->where(
                'composites',
                '>',
                Sample::query()->whereColumn('samples.plan_id', 'plans.id')->selectRaw('COUNT(DISTINCT composite)'),
            );
    }
}
