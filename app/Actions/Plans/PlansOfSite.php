<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Area;
use App\Models\Plan;
use App\Models\Sample;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

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

    /** Nothing that was spread longer ago makes a day too soon. */
    private const LOOK_BACK_DAYS = 400;

    /**
     * @return list<array{plan: Plan, to_pull: list<int>, too_soon: list<string>}> all that wait, and the newest of those that were
     *                                                                             pulled or replaced
     */
    public function __invoke(int $siteId): array
    {
        $lines = $this->lines(
            $this->ofSite($siteId)->where(
                static fn (Builder $plans) => self::open($plans)->orWhereIn(
                    'id',
                    Plan::query()
                        ->select('id')
                        ->whereIn('area_id', Area::query()->where('site_id', $siteId)->select('id'))
                        ->orderByDesc('id')
                        ->limit(self::DONE_SHOWN),
                ),
            ),
        );
        (new Collection(array_map(static fn (array $line): Area => $line['plan']->area, $lines)))->load([
            'groundEvents' => static fn ($events) => $events->where('on', '>=', now()->subDays(self::LOOK_BACK_DAYS)->format('Y-m-d')),
        ]);

        return array_map(
            static fn (array $line): array => $line + [
                'too_soon' => $line['to_pull'] === []
                    ? []
                    : $line['plan']->tooSoon(),
            ],
            $lines,
        );
    }

    /** @return list<array{plan: Plan, to_pull: list<int>}> that wait, newest first */
    public function waiting(int $siteId): array
    {
        return array_values(
            array_filter(
                $this->lines(self::open($this->ofSite($siteId))),
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
            ->with(['area:id,name,facts', 'author:id,name', 'samples:id,plan_id,code,composite'])
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

    /**
     * @param Builder<Plan> $plans
     * @return Builder<Plan> those with a composite that nothing was pulled of
     */
    private static function open(Builder $plans): Builder
    {
        return $plans->where(
            'composites',
            '>',
            Sample::query()->whereColumn('samples.plan_id', 'plans.id')->selectRaw('COUNT(DISTINCT composite)'),
        );
    }
}
