<?php

declare(strict_types=1);

namespace App\Actions\Today;

use App\Models\Consignment;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\Site;
use HonestCore\Custody\StorageClock;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/** What is due now over all sites of a team: soil getting warm, consignments late, soil drying, plans of this week. */
final class DueNow
{
    private const SOON_H = 24;

    private const OUT_OF_HAND = ['arrived', 'measured', 'reported', 'shelved', 'used_up', 'discarded', 'lost'];

    private const MOST = 100;

    /**
     * @return list<Due> the most urgent first
     */
    public function __invoke(): array
    {
        $items = [...$this->warm(), ...$this->late(), ...$this->drying(), ...$this->thisWeek()];
        usort(
            $items,
            static fn (Due $a, Due $b): int => [$b->urgent, $a->at?->getTimestamp() ?? 0] <=> [$a->urgent, $b->at?->getTimestamp() ?? 0],
        );

        return $items;
    }

    /**
     * @return list<Due>
     */
    private function warm(): array
    {
        $portions = Portion::query()
            ->with('sample:id,team_id,area_id,site_id', 'sample.area:id,team_id,name', 'sample.site:id,team_id,name')
            ->whereNotNull('sample_id')
            ->where('deadline_at', '<=', now()->addHours(self::SOON_H))
            ->whereNotIn('state', self::OUT_OF_HAND)
            ->orderBy('deadline_at')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $portions
                ->map(static function (Portion $portion): Due {
                    $over = $portion->deadline_at?->isPast() ?? false;
                    $hurries = array_intersect($portion->tests, StorageClock::hasty()) !== [];

                    return new Due(
                        kind: 'warm',
                        urgent: $hurries || $over,
                        text: $hurries
                                                    ? ($over
                                                        ? "The time of {$portion->code} has run out"
                                                        : "{$portion->code} is getting warm")
                                                    : "Spread {$portion->code} to dry",
                        detail: $portion->sample->area->name ?? '',
                        site: $portion->sample->site->name ?? '',
                        at: $portion->deadline_at,
                        to: "/samples/{$portion->sample_id}?portion={$portion->id}",
                    );
                })
                ->all(),
        );
    }

    /**
     * @return list<Due>
     */
    private function late(): array
    {
        $consignments = Consignment::query()
            ->with('lab', 'contents.portion.sample.site')
            ->where(
                static fn (Builder $some) => $some
                    ->where('state', 'lost')
                    ->orWhere(
                        static fn (Builder $late) => $late
                            ->whereIn('state', ['sent', 'arrived'])
                            ->where('expected_on', '<', now()->toDateString()),
                    ),
            )
            ->orderBy('expected_on')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $consignments
                ->filter(static fn (Consignment $consignment): bool => $consignment->daysLate() > 0 || $consignment->state === 'lost')
                ->map(
                    static fn (Consignment $consignment): Due => new Due(
                        kind: 'late',
                        urgent: $consignment->asked_on === null,
                        text: self::lateness($consignment),
                        detail: $consignment->lab->name,
                        site: $consignment->contents->first()?->portion->sample?->site->name ?? '',
                        at: $consignment->expected_on,
                        to: "/consignments/{$consignment->id}",
                    ),
                )
                ->all(),
        );
    }

    private static function lateness(Consignment $consignment): string
    {
        $what = $consignment->state === 'lost'
            ? "Consignment {$consignment->number} is lost"
            : "Consignment {$consignment->number} is {$consignment->daysLate()} working days late";

        return $consignment->asked_on === null
            ? "{$what}: ask the lab"
            : "{$what}, asked on {$consignment->asked_on->format('j M')}";
    }

    /**
     * @return list<Due>
     */
    private function drying(): array
    {
        $portions = Portion::query()
            ->with(
                'lines',
                'sample:id,team_id,code,area_id,site_id',
                'sample.area:id,team_id,name',
                'sample.site:id,team_id,name',
            )
            ->where('state', 'drying')
            ->whereNotNull('sample_id')
            ->orderBy('state_at')
            ->limit(self::MOST)
            ->get();
        $items = [];
        foreach ($portions->groupBy('sample_id') as $own) {
            $times = StorageClock::drying($own->firstOrFail()->trail());
            $sample = $own->firstOrFail()->sample;
            if ($times === null || $sample === null) {
                continue;
            }
            $ready = $times['ready'] <= now()->getTimestamp();
            $items[] = new Due(
                kind: 'drying',
                urgent: $times['over'] <= now()->getTimestamp(),
                text: $ready ? "Take up {$sample->code}, it should be dry" : "{$sample->code} is drying",
                detail: $sample->area->name,
                site: $sample->site->name,
                at: Carbon::createFromTimestampUTC($times['ready']),
                to: "/samples/{$sample->id}",
            );
        }

        return $items;
    }

    /**
     * @return list<Due>
     */
    private function thisWeek(): array
    {
        $plans = Plan::query()
            ->select(['id', 'team_id', 'area_id', 'spec', 'composites', 'pull_on'])
            ->with(
                'area:id,team_id,site_id,name',
                'area.site:id,team_id,name,timezone',
                'samples:id,team_id,plan_id,composite',
            )
            ->where('pull_on', '<=', now()->addDays(7)->format('Y-m-d 23:59:59'))
            ->whereHas('area', static fn (Builder $areas) => $areas->whereIn('site_id', Site::query()->select('id')))
            ->orderBy('pull_on')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $plans
                ->filter(static fn (Plan $plan): bool => $plan->toPull() !== [])
                ->map(
                    static fn (Plan $plan): Due => new Due(
                        kind: 'plan',
                        urgent: ($plan->pull_on?->format('Y-m-d') ?? '') <
                                                    now($plan->area->site->timezone)->format('Y-m-d'),
                        text: "Pull {$plan->spec->cores} cores on {$plan->pull_on?->format('l j M')}",
                        detail: $plan->area->name,
                        site: $plan->area->site->name,
                        at: $plan->pull_on,
                        to: "/pull/{$plan->id}",
                    ),
                )
                ->all(),
        );
    }
}
