<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\CampaignDay;
use App\Models\RecordChange;
use App\Models\User;
use Carbon\CarbonInterface;
use HonestCore\FollowUp\CampaignWeek;
use HonestCore\Sampling\ICalendarFile;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use Illuminate\Support\Carbon;

/** What is to be pulled over all sites in the weeks of a season: proposed by rule, moved by people. */
final class Campaign
{
    public function __construct(private readonly RetestDates $dates) {}

    /** @return non-empty-list<string> Mondays */
    public static function weeks(string $from): array
    {
        return CampaignWeek::weeks($from, (new Fields(RuleTable::named('follow-up')))->whole('campaign_weeks'));
    }

    /** @return array<string, list<RetestDate>> by Monday, each week of the season */
    public function of(int $team, string $from): array
    {
        $weeks = self::weeks($from);
        $by = array_fill_keys($weeks, []);
        foreach ($this->dates->of($team) as $date) {
            $week = self::weekOf($date, $weeks);
            if ($week !== null) {
                $by[$week][] = $date;
            }
        }

        return $by;
    }

    /**
     * The week that somebody moved it to, as long as that was after its last round; else the one proposed, where it is due.
     *
     * @param non-empty-list<string> $weeks
     */
    private static function weekOf(RetestDate $date, array $weeks): ?string
    {
        $end = (new \DateTimeImmutable($weeks[count($weeks) - 1]))->modify('+6 days')->format('Y-m-d');
        $moved = $date->movedTo !== null && $date->movedTo > ($date->lastPulled ?? '') ? $date->movedTo : null;
        if ($moved !== null) {
            return in_array($moved, $weeks, true) ? $moved : ($moved < $weeks[0] ? $weeks[0] : null);
        }

        return $date->due === null || $date->due <= $end
            ? CampaignWeek::proposed($date->lastPulled, $date->due, $weeks)
            : null;
    }

    /** @param string|null $week any day of it; null for the week that is proposed */
    public function move(Area $area, User $author, ?string $week): void
    {
        $before = $this->movedTo($area);
        if ($week === null) {
            CampaignDay::query()->where('area_id', $area->id)->delete();
            $this->noteMove($area, $before, null);

            return;
        }
        $area->loadMissing('site');
        $monday = CampaignWeek::monday($week);
        if ($monday < CampaignWeek::monday(now($area->site->timezone)->format('Y-m-d'))) {
            throw Conflict::because('week_gone');
        }
        CampaignDay::query()->updateOrCreate(['area_id' => $area->id], ['moved_by' => $author->id, 'week' => Carbon::parse($monday)]);
        $this->noteMove($area, $before, $monday);
    }

    /** The week that an area was moved to; null where it was not. */
    public function movedTo(Area $area): ?string
    {
        return CampaignDay::query()->where('area_id', $area->id)->first()?->week->format('Y-m-d');
    }

    private function noteMove(Area $area, ?string $from, ?string $to): void
    {
        if ($from !== $to) {
            RecordChange::note('week', $area, ['week' => $from], ['week' => $to]);
        }
    }

    /** The season as a calendar file: each area over its week. */
    public function file(int $team, string $from, CarbonInterface $made): string
    {
        $steps = [];
        foreach ($this->of($team, $from) as $week => $dates) {
            foreach ($dates as $date) {
                $steps[] = [
                    'code' => "area-{$date->areaId}",
                    'what' => "Pull {$date->area}, {$date->site}",
                    'on' => new \DateTimeImmutable($week),
                    'days' => 7,
                ];
            }
        }

        return ICalendarFile::of('retest', 'campaign', $steps, new \DateTimeImmutable($made->format('c')));
    }
}
