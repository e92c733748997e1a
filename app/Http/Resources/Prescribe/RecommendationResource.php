<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\Recommendation;
use App\Http\Resources\Areas\AreaResource;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\Sample;
use HonestCore\Agronomy\Lime\LimeRate;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Recommendation $resource */
final class RecommendationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            'area' => (new AreaResource($it->area))->toArray($request),
            'site' => ['name' => $it->area->site->name, 'address' => $it->area->site->address],
            'crop' => ['name' => $it->crop->name, 'low' => $it->crop->low, 'high' => $it->crop->high, 'target' => $it->crop->target],
            'kind' => $it->advice->kind,
            'answer' => $it->advice->answer,
            'notes' => [...$it->advice->notes, ...$it->disagreements],
            'rates' => array_map(static fn (LimeRate $rate): array => $rate->toArray(), $it->advice->rates),
            'next' => $it->advice->next,
            'cautions' => $it->advice->cautions,
            'sample' => $it->sample === null ? null : self::sample($it->sample),
            'lab' => $it->lab === null ? null : [
                'ph' => $it->lab->ph, 'uncertainty' => $it->lab->uncertainty, 'mehlich_buffer_ph' => $it->lab->mehlichBuffer, 'smp_buffer_ph' => $it->lab->smpBuffer,
                'method' => $it->labReading?->method->name, 'read_on' => $it->labReading?->read_on->format('Y-m-d'),
            ],
            'kit' => $it->kit === null ? null : [
                'method' => $it->kit->test, 'band' => $it->kit->band, 'action' => $it->kit->action,
                'read_on' => $it->kitReading?->read_on->format('Y-m-d'), 'counts' => $it->kit->counts(),
            ],
            'verdict' => $it->verdict === null ? null : (new VerdictResource($it->verdict))->toArray($request),
            'policy_version' => $it->policy->version,
            'earlier' => array_map(self::sample(...), $it->earlier),
        ];
    }

    /** @return array{id: int, code: string, pulled_on: string, depth: string, cores_pulled: int} */
    private static function sample(Sample $sample): array
    {
        return ['id' => $sample->id, 'code' => $sample->code, 'pulled_on' => $sample->pulled_on->format('Y-m-d'), 'depth' => $sample->depth, 'cores_pulled' => $sample->cores_pulled];
    }
}
