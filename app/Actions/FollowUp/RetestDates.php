<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Actions\Prescribe\Recommend;
use App\Models\Area;
use App\Models\Site;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Retest;
use Illuminate\Database\Eloquent\Builder;

/** When each area of a site is due for its next test, and why then. */
final class RetestDates
{
    public function __construct(private readonly Recommend $recommend) {}

    /**
     * Those that are overdue. Ground pulled within a year can be overdue by no rule, and is not looked at.
     *
     * @return list<RetestDate>
     */
    public function overdue(Site $site): array
    {
        $yearAgo = now($site->timezone)->subYear()->format('Y-m-d');
        $old = Area::query()
            ->where('site_id', $site->id)
            ->whereHas('samples')
            ->whereDoesntHave('samples', static fn (Builder $samples) => $samples->where('pulled_on', '>=', $yearAgo));

        return array_values(
            array_filter($this->dates($site, $old), static fn (RetestDate $date): bool => $date->state === 'overdue'),
        );
    }

    /**
     * @return list<RetestDate> the soonest first
     */
    public function __invoke(Site $site): array
    {
        return $this->dates($site, Area::query()->where('site_id', $site->id));
    }

    /**
     * @param Builder<Area> $areas
     * @return list<RetestDate>
     */
    private function dates(Site $site, Builder $areas): array
    {
        $today = now($site->timezone)->format('Y-m-d');
        $found = $areas
            ->withCount('samples')
            ->withMax('samples', 'pulled_on')
            ->with(Recommend::needs())
            ->orderBy('name')
            ->get();
        $this->recommend->plans->prepare($found);
        $dates = [];
        foreach ($found as $area) {
            $last = $area->getAttribute('samples_max_pulled_on');
            $last = is_string($last) ? substr($last, 0, 10) : null;
            $corrects = ($this->recommend)($area, LimeMaterial::reference(), 6)->corrects();
            $due = $last === null ? null : Retest::due(new \DateTimeImmutable($last), $corrects)->format('Y-m-d');
            $dates[] = new RetestDate(
                areaId: $area->id,
                area: $area->name,
                lastPulled: $last,
                due: $due,
                state: match (true) {
                    $due === null => 'never',
                    $due < $today => 'overdue',
                    default => 'waiting',
                },
                reason: match (true) {
                    $due === null => 'No composite was ever pulled here.',
                    $corrects => 'The pH is being corrected: test again after a year, in the same season, by the '.
                        'same lab.',
                    default => 'Nothing to correct: test again within 3 years, in the same season, by the same lab.',
                },
                composites: $area->samples_count,
            );
        }
        usort($dates, static fn (RetestDate $a, RetestDate $b): int => ($a->due ?? '') <=> ($b->due ?? ''));

        return $dates;
    }
}
