<?php

declare(strict_types=1);

namespace App\Actions\Readings;

use App\Models\Reading;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/**
 * Whether a lab's value of a composite was known to whoever read it by a test: it was on screen for them, or they brought
 * it in, before the reading.
 */
final class KnownBefore
{
    /** @param string $reader by name; whoever of the team is called so counts as well as the author */
    public function __invoke(int $sample, TestMethod $test, User $author, string $reader, Carbon $at): bool
    {
        $people = User::query()
            ->where('team_id', $author->team_id)
            ->where(static fn (Builder $one): Builder => $one->where('name', $reader)->orWhere('id', $author->id))
            ->pluck('id');

        return Reading::query()
            ->where('sample_id', $sample)
            ->whereHas('method', static fn (Builder $methods): Builder => $methods
                ->where('workplace', 'lab')
                ->where('analyte', $test->analyte))
            ->where(static fn (Builder $one) => $one
                ->where(static fn (Builder $own): Builder => $own
                    ->whereIn('readings.created_by', $people)
                    ->where('readings.created_at', '<=', $at))
                ->orWhereExists(static fn ($seen) => $seen
                    ->from('glimpses')
                    ->whereColumn('glimpses.reading_id', 'readings.id')
                    ->whereIn('glimpses.user_id', $people)
                    ->where('glimpses.seen_at', '<=', $at)))
            ->exists();
    }
}
