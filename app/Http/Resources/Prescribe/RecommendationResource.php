<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\Advised;
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
        $by = $it->chosen;

        return [
            'area' => (new AreaResource($it->area))->toArray($request),
            'site' => ['name' => $it->area->site->name, 'address' => $it->area->site->address],
            'crop' => ['name' => $it->crop->name, 'low' => $it->crop->low, 'high' => $it->crop->high, 'target' => $it->crop->target],
            'kind' => $by->advice->kind,
            'answer' => $by->advice->answer,
            'notes' => [...$by->advice->notes, ...$it->disagreements],
            'rates' => array_map(static fn (LimeRate $rate): array => $rate->toArray(), $by->advice->rates),
            'next' => $by->advice->next,
            'cautions' => $by->advice->cautions,
            'sample' => $by->sample === null ? null : self::sample($by->sample),
            'lab' => $by->lab === null ? null : [
                'ph' => $by->lab->ph, 'uncertainty' => $by->lab->uncertainty, 'mehlich_buffer_ph' => $by->lab->mehlichBuffer, 'smp_buffer_ph' => $by->lab->smpBuffer,
                'method' => $by->labReading?->method->name, 'read_on' => $by->labReading?->read_on->format('Y-m-d'),
            ],
            'kit' => $by->kit === null ? null : [
                'method' => $by->kit->test, 'band' => $by->kit->band, 'action' => $by->kit->action,
                'read_on' => $by->kitReading?->read_on->format('Y-m-d'), 'counts' => $by->kit->counts(),
            ],
            'verdict' => $by->verdict === null ? null : (new VerdictResource($by->verdict))->toArray($request),
            'policy_version' => $it->policy->version,
            'earlier' => array_map(self::sample(...), $it->earlier),
            'parts_planned' => $it->partsPlanned,
            'parts' => array_values(array_filter(array_map(self::part(...), $it->parts))),
        ];
    }

    /** @return array{number: int, sample_id: int, code: string, ph: float|null, kind: string, answer: string, tons_per_acre: list<float>}|null */
    private static function part(Advised $part): ?array
    {
        return $part->sample === null ? null : [
            'number' => $part->sample->composite, 'sample_id' => $part->sample->id, 'code' => $part->sample->code, 'ph' => $part->lab?->ph, 'kind' => $part->advice->kind, 'answer' => $part->advice->answer,
            'tons_per_acre' => array_values(array_filter(array_map(static fn (LimeRate $rate): ?float => $rate->tonsPerAcre, $part->advice->rates), is_float(...))),
        ];
    }

    /** @return array{id: int, code: string, pulled_on: string, depth: string, cores_pulled: int} */
    private static function sample(Sample $sample): array
    {
        return ['id' => $sample->id, 'code' => $sample->code, 'pulled_on' => $sample->pulled_on->format('Y-m-d'), 'depth' => $sample->depth, 'cores_pulled' => $sample->cores_pulled];
    }
}
