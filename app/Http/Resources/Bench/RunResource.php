<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Actions\Bench\RunView;
use App\Models\RunTube;
use HonestCore\Bench\Mark;
use HonestCore\Bench\MethodStep;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property RunView $resource */
final class RunResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;
        [$run, $definition] = [$view->run, $view->definition];

        return [
            'id' => $run->id,
            'state' => $run->state,
            'method_id' => $run->method_id,
            'method' => $run->method->name,
            'version' => $run->version->version,
            'analyte' => $definition->analyte,
            'unit' => $definition->unit,
            'scale' => new ScaleResource($definition->scale),
            'probe' => $definition->probe,
            'colour' => $definition->colour,
            'readers' => $run->readers,
            'said' => $run->said,
            'celsius' => $run->celsius,
            'depth_cm' => $run->depth_cm,
            'lots' => $run->lots,
            'note' => $run->note,
            'calibration' => $run->calibration === null ? null : new CalibrationResource($run->calibration),
            'hazards' => $definition->hazards,
            'steps' => array_map(static fn (MethodStep $step): array => $step->toArray(), $view->steps),
            'started_ms' => $run->started_ms,
            'finished_at' => $run->finished_at?->toIso8601ZuluString(),
            'elapsed_s' => $run->elapsed_s,
            'attention_s' => $run->attention_s,
            'cost_cents' => $run->cost_cents,
            'warnings' => $view->warnings,
            'tubes' => array_map($this->tube(...), array_values($run->tubes->sortBy('number')->all())),
            'agenda' => $view->agenda,
            'over' => $view->replay->isOver(),
        ];
    }

    /** @return array<string, mixed> */
    private function tube(RunTube $tube): array
    {
        $run = $this->resource->run;
        $state = $this->resource->replay->tubes[$tube->number];
        $open = $this->resource->isOpen();
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
            'captures' => CaptureResource::collection(
                $run->captures->where('tube', $tube->number)->sortBy('id')->values(),
            ),
        ];
    }
}
