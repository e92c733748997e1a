<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Turn;
use App\Models\KeptSampling;
use App\Models\TestMethod;

/**
 * What was touched is computed again where nobody waits for it: after an answer went out, or by the command beside the server.
 * One at a time for a team; what is touched meanwhile is left for the next.
 */
final class ComputeAhead
{
    public function __construct(private readonly Summaries $summaries, private readonly SamplingSplit $sampling) {}

    /** @return bool whether there was anything to do */
    public function __invoke(int $team): bool
    {
        $stirred = Stirred::of($team);
        $turn = $stirred->isNothing() ? null : Turn::take("evidence-of-{$team}");
        if ($turn === null) {
            return false;
        }
        try {
            // Settled only where all of it could be kept: what was not is of yesterday, and stays noted.
            if ($this->labs($stirred) && $this->summaries->keepAll()) {
                $stirred->settle();
            }
        } finally {
            $turn->giveBack();
        }

        return true;
    }

    private function labs(Stirred $stirred): bool
    {
        $isKept = true;
        $kept = KeptSampling::query()->pluck('method_id')->flip();
        foreach (TestMethod::query()->where('workplace', 'lab')->orderBy('id')->get() as $lab) {
            if ($stirred->reachesLab($lab->id) || ! $kept->has($lab->id)) {
                $isKept = KeptFigures::keep($lab, $this->sampling->anew($lab)) && $isKept;
            }
        }

        return $isKept;
    }
}
