<?php

declare(strict_types=1);

namespace App\Actions\Custody;

use App\Models\Plan;
use App\Models\Portion;
use App\Models\ReservedCode;
use App\Models\Sample;
use App\Models\Site;

/**
 * The next running number of a site's year; numbers on labels that were printed ahead stay kept for them. Called
 * within a transaction.
 */
final class RunningNumber
{
    public function next(Site $site, int $year): int
    {
        $used = static fn (string $model): int => (int) $model::query()
            ->where('site_id', $site->id)
            ->where('year', $year)
            ->max('number');

        return max($used(Sample::class), $used(ReservedCode::class), $used(Portion::class)) + 1;
    }

    /** The number kept for a composite and layer of a plan, or the next one. */
    public function of(Plan $plan, int $composite, string $layer, int $year): int
    {
        $kept = ReservedCode::query()
            ->where(['plan_id' => $plan->id, 'composite' => $composite, 'depth' => $layer, 'year' => $year])
            ->first();
        $free =
            $kept !== null &&
            ! Sample::query()
                ->where('site_id', $kept->site_id)
                ->where('year', $year)
                ->where('number', $kept->number)
                ->exists();

        return $free ? $kept->number : $this->next($plan->area->site, $year);
    }
}
