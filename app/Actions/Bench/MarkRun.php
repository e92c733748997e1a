<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Run;
use App\Models\RunMark;
use App\Models\User;

/** Writes marks into the log of a run: all of a batch or none, each once however often it is sent. */
final class MarkRun
{
    public function __construct(private readonly LeadRun $lead) {}

    /** @param list<array{uuid: string, kind: string, tube: int, at_ms: int, data: array<string, mixed>}> $marks */
    public function __invoke(Run $run, User $author, int $nowMs, array $marks): Run
    {
        StartRun::checkClock($nowMs);

        return AllOrNothing::of(function () use ($run, $author, $nowMs, $marks): Run {
            $run = Run::query()
                ->with(['tubes', 'marks', 'version'])
                ->findOrFail($run->id);
            $known = $run->marks->pluck('uuid')->all();
            $new = array_values(
                array_filter($marks, static fn (array $mark): bool => ! in_array($mark['uuid'], $known, true)),
            );
            if ($new === []) {
                return $run;
            }
            if ($run->state !== 'open') {
                throw Conflict::because('run_closed');
            }
            $all = array_values($run->marks->sortBy('id')->all());
            foreach ($new as $mark) {
                $all[] = new RunMark([...$mark, 'run_id' => $run->id]);
            }
            $this->lead->replay($run, $nowMs, $all);
            foreach ($new as $mark) {
                $run->marks()->create([...$mark, 'created_by' => $author->id]);
            }

            return $run->unsetRelation('marks');
        });
    }
}
