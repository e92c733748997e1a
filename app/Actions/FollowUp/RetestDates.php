<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Database\Values;
use App\Models\Site;
use HonestCore\FollowUp\GroundAct;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * When each area is due for its next test, and why then: by one query over all areas that are asked for, since lists of ten years
 * of work are asked for often.
 */
final class RetestDates
{
    /** @return list<RetestDate> of a site, the soonest first */
    public function __invoke(Site $site): array
    {
        return $this->of($site->team_id, $site->id);
    }

    /** @return list<RetestDate> those that are overdue */
    public function overdue(Site $site): array
    {
        return array_values(array_filter($this($site), static fn (RetestDate $date): bool => $date->state() === 'overdue'));
    }

    /**
     * Of a team, which is named: nobody is signed in where a calendar asks.
     *
     * @return list<RetestDate> the soonest first
     */
    public function of(int $team, ?int $site = null): array
    {
        $rows = $this->rows($team, $site);
        $new = self::newSites($rows);
        $today = $dates = [];
        foreach ($rows as $row) {
            $of = Values::whole($row->site_id);
            $today[$of] ??= now(Values::text($row->timezone))->format('Y-m-d');
            $dates[] = RetestDate::of($row, $today[$of], isset($new[$of]));
        }
        usort($dates, static fn (RetestDate $a, RetestDate $b): int => [$a->due ?? '', $a->area] <=> [$b->due ?? '', $b->area]);

        return $dates;
    }

    /**
     * The lab that measured the last round of each area: the next one goes there too, for another would break the series.
     *
     * @param list<int> $areas
     * @return array<int, string>
     */
    public static function labs(int $team, array $areas): array
    {
        $labs = [];
        foreach (
            DB::table('samples')
                ->join('readings', static fn (JoinClause $on): JoinClause => $on
                    ->on('readings.sample_id', '=', 'samples.id')
                    ->on('readings.team_id', '=', 'samples.team_id'))
                ->join('methods', 'methods.id', '=', 'readings.method_id')
                ->leftJoin('labs', 'labs.id', '=', 'methods.lab_id')
                ->where('samples.team_id', $team)
                ->whereIn('samples.area_id', $areas)
                ->where('methods.workplace', 'lab')
                ->groupBy('samples.area_id')
                ->selectRaw('samples.area_id, MAX(substr(samples.pulled_on, 1, 10) || COALESCE(labs.name, methods.name)) AS lab')
                ->get() as $row
        ) {
            $labs[Values::whole($row->area_id)] = substr(Values::text($row->lab), 10);
        }

        return $labs;
    }

    /**
     * Sites that are known from the rounds of one year alone.
     *
     * @param list<\stdClass> $rows
     * @return array<int, true>
     */
    private static function newSites(array $rows): array
    {
        $first = $last = [];
        foreach ($rows as $row) {
            $of = Values::whole($row->site_id);
            if (is_string($row->first) && is_string($row->last)) {
                $first[$of] = min($first[$of] ?? '9999', substr($row->first, 0, 10));
                $last[$of] = max($last[$of] ?? '', substr($row->last, 0, 10));
            }
        }
        $days = (new Fields(RuleTable::named('follow-up')))->whole('new_site_days');
        $new = array_filter(
            $first,
            static fn (string $day, int $of): bool => $last[$of] <=
                (new \DateTimeImmutable($day))->modify("+{$days} days")->format('Y-m-d'),
            ARRAY_FILTER_USE_BOTH,
        );

        return array_fill_keys(array_keys($new), true);
    }

    /** @return list<\stdClass> */
    private function rows(int $team, ?int $site): array
    {
        $samples = static fn (string $what): \Closure => static fn (Builder $of): Builder => $of
            ->from('samples')
            ->where('samples.team_id', $team)
            ->whereColumn('samples.area_id', 'areas.id')
            ->selectRaw($what);
        $program = static fn (string $column): \Closure => static fn (Builder $of): Builder => $of
            ->from('programs')
            ->where('programs.team_id', $team)
            ->whereColumn('programs.area_id', 'areas.id')
            ->orderByDesc('programs.id')
            ->limit(1)
            ->select($column);

        return array_values(
            DB::query()
                ->fromSub(
                    DB::table('areas')
                        ->join('sites', 'sites.id', '=', 'areas.site_id')
                        ->where('areas.team_id', $team)
                        ->when($site !== null, static fn (Builder $of): Builder => $of->where('areas.site_id', $site))
                        ->select(['areas.id', 'areas.name', 'areas.site_id', 'sites.name as site', 'sites.timezone'])
                        ->selectSub($samples('MAX(pulled_on)'), 'last')
                        ->selectSub($samples('MIN(pulled_on)'), 'first')
                        ->selectSub($samples('COUNT(*)'), 'composites')
                        ->selectSub($program('programs.corrects'), 'corrects')
                        ->selectSub($program('programs.gives_none'), 'gives_none')
                        ->selectSub($program('programs.created_at'), 'signed')
                        ->selectSub(self::newestPlan(), 'minutes')
                        ->selectSub(
                            static fn (Builder $of): Builder => $of
                                ->from('campaign_days')
                                ->whereColumn('campaign_days.area_id', 'areas.id')
                                ->select('week'),
                            'moved_to',
                        ),
                    'areas',
                )
                ->select('*')
                ->selectSub(self::since('noted.on', static fn (Builder $of): Builder => $of->where('corrects', '<>', '')), 'spread')
                ->selectSub(self::since('noted.on', static fn (Builder $of): Builder => $of->where('is_large', true)), 'large')
                ->selectSub(
                    self::since('noted.what', static fn (Builder $of): Builder => $of->where('kind', GroundAct::PROBLEM)),
                    'problem',
                )
                ->get()
                ->all(),
        );
    }

    private static function newestPlan(): \Closure
    {
        return static fn (Builder $of): Builder => $of
            ->from('plans')
            ->whereColumn('plans.area_id', 'areas.id')
            ->orderByDesc('plans.id')
            ->limit(1)
            ->select('minutes');
    }

    /** Of what was noted since the last round, and stands; on its day too: what is pulled goes before what is spread. */
    private static function since(string $what, \Closure $which): \Closure
    {
        return static fn (Builder $of): Builder => $of
            ->from('ground_events as noted')
            ->whereColumn('noted.area_id', 'areas.id')
            ->whereColumn('noted.on', '>=', 'areas.last')
            ->where($which)
            ->whereNotExists(
                static fn (Builder $back): Builder => $back
                    ->from('ground_events as back')
                    ->whereColumn('back.takes_back_id', 'noted.id'),
            )
            ->orderByDesc('noted.on')
            ->limit(1)
            ->select($what);
    }
}
