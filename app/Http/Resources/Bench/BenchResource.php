<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Actions\Bench\BenchMethod;
use App\Actions\Bench\BenchPortion;
use App\Actions\Bench\BenchView;
use App\Models\Run;
use App\Models\VisionRecord;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property BenchView $resource */
final class BenchResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;

        return [
            'open' => array_map(self::line(...), $view->open),
            'closed' => array_map(self::line(...), $view->closed),
            'methods' => array_map(self::method(...), $view->methods),
            'portions' => array_map(self::portion(...), $view->portions),
            'readers' => array_map(self::reader(...), array_keys($view->readers), $view->readers),
            'device' => $view->device,
            'device_simulated' => $view->simulated,
        ];
    }

    /** @return array<string, mixed> */
    private static function reader(string $name, ?VisionRecord $vision): array
    {
        return [
            'name' => $name,
            'vision' => $vision === null
                ? null
                : ['passed' => $vision->passed, 'taken_on' => $vision->taken_on->format('Y-m-d')],
        ];
    }

    /** @return array<string, mixed> */
    private static function line(Run $run): array
    {
        return [
            'id' => $run->id,
            'method' => $run->method->name,
            'state' => $run->state,
            'readers' => $run->readers,
            'tubes' => $run->tubes_count,
            'readings' => $run->readings_count,
            'started_ms' => $run->started_ms,
            'finished_at' => $run->finished_at?->toIso8601ZuluString(),
        ];
    }

    /** @return array<string, mixed> with what it says it costs and what it really cost */
    private static function method(BenchMethod $one): array
    {
        $definition = $one->version->parsed();

        return [
            'id' => $one->method->id,
            'name' => $one->method->name,
            'analyte' => $one->method->analyte,
            'version' => $one->version->version,
            'scale' => new ScaleResource($definition->scale),
            'probe' => $definition->probe,
            'colour' => $definition->colour,
            'readings_asked' => $definition->readings,
            'conditions' => $definition->conditions,
            'celsius' => $definition->celsius,
            'reagents' => $definition->reagents,
            'lots' => LotResource::collection($one->method->lots->sortBy('id')->values()),
            'links' => $one->method->links,
            'hazards' => $definition->hazards,
            'by_stokes' => $definition->isByStokes(),
            'cost_cents' => $definition->costCents,
            'minutes' => $definition->minutes,
            'runs' => $one->runs,
            'kept' => $one->readings,
            'spent_cents' => $one->readings === 0 ? null : $one->cents / $one->readings,
            'spent_minutes' => $one->readings === 0 ? null : $one->attentionS / 60 / $one->readings,
        ];
    }

    /** @return array<string, mixed> */
    private static function portion(BenchPortion $one): array
    {
        return [
            'id' => $one->portion->id,
            'code' => $one->portion->code,
            'kind' => $one->portion->kind,
            'sample' => $one->sample->code,
            'sample_id' => $one->sample->id,
            'area' => $one->sample->area->name,
            'read_by' => $one->readBy,
        ];
    }
}
