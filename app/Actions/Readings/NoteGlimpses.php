<?php

declare(strict_types=1);

namespace App\Actions\Readings;

use App\Database\AllOrNothing;
use App\Database\Values;
use App\Models\Area;
use App\Models\Glimpse;
use App\Models\LabReport;
use App\Models\Reading;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/**
 * Remembers which results of labs were on screen for whom. Where the disk refuses it, the page is shown all the same:
 * no reading could be stored then either.
 */
final class NoteGlimpses
{
    private const PIECE = 500;

    /** @param list<int> $samples */
    public function ofSamples(array $samples): void
    {
        foreach (array_chunk($samples, self::PIECE) as $some) {
            $this->note(Reading::query()->whereIn('sample_id', $some));
        }
    }

    public function ofArea(Area $area): void
    {
        $this->note(Reading::query()->whereIn('sample_id', $area->samples()->select('id')));
    }

    public function ofReport(LabReport $report): void
    {
        $this->note(Reading::query()->where('report_id', $report->id));
    }

    /** Of all the team has, as an export gives it. */
    public function ofTeam(): void
    {
        $this->note(Reading::query());
    }

    /** @param Builder<Reading> $shown */
    private function note(Builder $shown): void
    {
        $user = User::signedIn();
        if ($user === null) {
            return;
        }
        $fresh = $shown
            ->whereHas('method', static fn (Builder $methods): Builder => $methods->where('workplace', 'lab'))
            ->whereNotExists(static fn ($seen) => $seen
                ->from('glimpses')
                ->whereColumn('glimpses.reading_id', 'readings.id')
                ->where('glimpses.user_id', $user->id));
        // Where nothing is new, which is nearly always, nobody is made to wait for a writer.
        $ids = Values::wholes($fresh->pluck('readings.id')->all());
        if ($ids === []) {
            return;
        }
        $at = Carbon::now();
        try {
            AllOrNothing::of(static function () use ($ids, $user, $at): void {
                foreach (array_chunk($ids, self::PIECE) as $some) {
                    Glimpse::query()->insertOrIgnore(array_map(static fn (int $id): array => [
                        'team_id' => $user->team_id,
                        'user_id' => $user->id,
                        'reading_id' => $id,
                        'seen_at' => $at,
                    ], $some));
                }
            });
        } catch (\PDOException $refused) {
            report($refused);
        }
    }
}
