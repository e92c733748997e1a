<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\Values;
use App\Models\Run;
use App\Models\RunMark;
use HonestCore\Bench\Agenda;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\Mark;
use HonestCore\Bench\MethodStep;
use HonestCore\Bench\StepKind;

/**
 * Where a run stands, replayed from its log, and what is next. What was read stays covered until the run is finished.
 */
final class LeadRun
{
    /** @param list<RunMark>|null $marks those of the run when none are given */
    public function replay(Run $run, int $nowMs, ?array $marks = null): BenchRun
    {
        $marks ??= array_values($run->marks->sortBy('id')->all());

        return BenchRun::replay(
            self::steps($run),
            $run->tubes->count(),
            $run->readers,
            $run->version->parsed()->scale,
            array_map(static fn (RunMark $mark): Mark => $mark->ofLog(), $marks),
            $run->started_ms,
            $nowMs,
        );
    }

    /** @return non-empty-list<MethodStep> as they were timed when the run began */
    public static function steps(Run $run): array
    {
        $definition = $run->version->parsed();
        $steps = [];
        foreach ($definition->steps as $i => $step) {
            $kept = $run->steps[$i] ?? [];
            $steps[] =
                $step->kind === StepKind::Wait &&
                is_int($kept['least_s'] ?? null) &&
                is_int($kept['aim_s'] ?? null) &&
                is_int($kept['most_s'] ?? null)
                    ? $step->lasting($kept['least_s'], $kept['aim_s'], $kept['most_s'])
                    : $step;
        }

        return $steps;
    }

    public function show(Run $run, ?int $nowMs = null): RunView
    {
        $run->loadMissing([
            'tubes.portion.sample.area:id,name',
            'marks',
            'method',
            'version',
            'calibration',
            'captures',
        ]);
        $last = Values::whole($run->marks->max('at_ms'));
        $replay = $this->replay($run, max($nowMs ?? 0, $last));
        $steps = self::steps($run);
        $definition = $run->version->parsed();
        $now = max($nowMs ?? $last, $run->started_ms);

        return new RunView(
            $run,
            $definition,
            $replay,
            $steps,
            array_values(array_unique(array_column((new RunBreaks())->ofRun($run, $definition), 'words'))),
            $run->state === 'open' ? Agenda::of($steps, $replay, $now) : [],
        );
    }
}
