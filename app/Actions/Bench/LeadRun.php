<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\Values;
use App\Models\Run;
use App\Models\RunMark;
use App\Models\RunTube;
use HonestCore\Bench\Agenda;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\BenchTube;
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

    /** @return array<string, mixed> */
    public function show(Run $run, ?int $nowMs = null): array
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
        $definition = $run->version->parsed();
        $open = $run->state === 'open';

        return [
            'id' => $run->id,
            'state' => $run->state,
            'method_id' => $run->method_id,
            'method' => $run->method->name,
            'version' => $run->version->version,
            'analyte' => $definition->analyte,
            'unit' => $definition->unit,
            'scale' => MethodShape::scale($definition->scale),
            'probe' => $definition->probe,
            'colour' => $definition->colour,
            'readers' => $run->readers,
            'said' => $run->said,
            'celsius' => $run->celsius,
            'depth_cm' => $run->depth_cm,
            'lots' => $run->lots,
            'note' => $run->note,
            'calibration' => $run->calibration === null ? null : CalibrationShape::of($run->calibration),
            'hazards' => $definition->hazards,
            'steps' => array_map(static fn (MethodStep $step): array => $step->toArray(), self::steps($run)),
            'started_ms' => $run->started_ms,
            'finished_at' => $run->finished_at?->toIso8601ZuluString(),
            'elapsed_s' => $run->elapsed_s,
            'attention_s' => $run->attention_s,
            'cost_cents' => $run->cost_cents,
            'warnings' => array_values(
                array_unique(array_column((new RunBreaks())->ofRun($run, $definition), 'words')),
            ),
            'tubes' => array_map(
                fn (RunTube $tube): array => $this->tube($tube, $replay->tubes[$tube->number], $run, $open),
                array_values($run->tubes->sortBy('number')->all()),
            ),
            'agenda' => $open ? Agenda::of(self::steps($run), $replay, max($nowMs ?? $last, $run->started_ms)) : [],
            'over' => $replay->isOver(),
        ];
    }

    /** @return array<string, mixed> */
    private function tube(RunTube $tube, BenchTube $state, Run $run, bool $open): array
    {
        $sample = $tube->portion->sample;
        $last = $run->marks->where('tube', $tube->number)->sortBy('id')->last();

        return [
            'number' => $tube->number,
            'portion_id' => $tube->portion_id,
            'portion' => $tube->portion->code,
            'sample_id' => $sample?->id,
            'area' => $sample?->area->name,
            'replicate' => $tube->replicate,
            'status' => $state->status(),
            'step' => $state->step()?->code,
            'wait' => $state->wait()?->code,
            'since_ms' => $state->sinceMs(),
            'window' => $state->window(),
            'breaks' => $state->breaks(),
            'unread' => $state->unread(),
            'attempts' => $state->attempts(),
            'times' => $state->times(),
            'reads' => array_map(
                static fn (array $read): array => [
                    'step' => $read['step'],
                    'reader' => $read['reader'],
                    'at_ms' => $read['at_ms'],
                    'words' => $open ? null : $read['reading']->words(),
                ],
                $state->reads(),
            ),
            'last_mark' => $last === null || $last->kind === Mark::UNDO ? null : $last->uuid,
            'captures' => array_values(
                $run->captures->where('tube', $tube->number)->sortBy('id')->map(CaptureProbe::shape(...))->all(),
            ),
        ];
    }
}
