<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\Advised;
use App\Actions\Prescribe\Recommendation;
use App\Actions\Verdicts\ShownVerdict;
use App\Http\Resources\Areas\AreaResource;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\Sample;
use HonestCore\Agronomy\Lime\LimeRate;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\SchoolRate;
use HonestCore\Agronomy\Lime\WorkingStep;
use HonestCore\Program\SiteRates;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Recommendation $resource */
final class RecommendationResource extends JsonResource
{
    public function __construct(Recommendation $found, private readonly bool $verdictMoved)
    {
        parent::__construct($found);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;
        $by = $it->chosen;
        $said = SiteRates::of($it->area->site->units);

        return [
            'area' => (new AreaResource($it->area))->toArray($request),
            'site' => ['name' => $it->area->site->name, 'address' => $it->area->site->address],
            'crop' => [
                'name' => $it->crop->name,
                'low' => $it->crop->low,
                'high' => $it->crop->high,
                'target' => $it->crop->target,
            ],
            'kind' => $by->advice->kind,
            'answer' => $said->inWords($by->advice->answer),
            'notes' => $said->throughout([...$by->advice->notes, ...$it->disagreements]),
            'rates' => array_map(static fn (SchoolRate $rate): array => $said->throughout(self::rate($rate)), $by->advice->rates),
            'next' => $said->throughout($by->advice->next),
            'cautions' => $said->throughout($by->advice->cautions),
            'sample' => $by->sample === null ? null : self::sample($by->sample),
            'lab' => $by->lab === null
                    ? null
                    : [
                        'ph' => $by->lab->ph,
                        'uncertainty' => $by->lab->uncertainty,
                        'mehlich_buffer_ph' => $by->lab->buffer(LimeSchool::Mehlich),
                        'smp_buffer_ph' => $by->lab->buffer(LimeSchool::Smp),
                        'adams_evans_buffer_ph' => $by->lab->buffer(LimeSchool::AdamsEvans),
                        'by_test' => $by->lab->test !== '',
                        'method' => $by->labReading?->method->name,
                        'read_on' => $by->labReading?->read_on->format('Y-m-d'),
                    ],
            'kit' => $by->kit === null
                    ? null
                    : [
                        'method' => $by->kit->test,
                        'band' => $by->kit->band,
                        'action' => $by->kit->action,
                        'read_on' => $by->kitReading?->read_on->format('Y-m-d'),
                        'counts' => $by->kit->counts(),
                    ],
            'verdict' => $by->verdict === null ? null : (new VerdictResource(
                new ShownVerdict($by->verdict, [], $by->kit->silentOn ?? ''),
            ))->toArray($request),
            'verdict_moved' => $this->verdictMoved,
            'pooled' => $by->pooled === null
                    ? null
                    : [
                        'mean' => $by->pooled->mean,
                        'sd' => $by->pooled->sd,
                        'margin' => $by->pooled->margin,
                        'composites' => count($by->pooled->values),
                    ],
            'policy_version' => $it->policy->version,
            'earlier' => array_map(self::sample(...), $it->earlier),
            'parts_planned' => $it->partsPlanned,
            'parts' => array_values(array_filter(array_map(self::part(...), $it->parts))),
        ];
    }

    /** @return array<string, mixed> */
    private static function rate(SchoolRate $rate): array
    {
        return [
            'school' => $rate->school->title(),
            'reading' => $rate->reading,
            'tons_per_acre' => $rate->tons,
            'tonnes_per_hectare' => $rate->tons === null ? null : $rate->tons * LimeRate::TONNES_PER_HECTARE,
            'pounds_per_1000_sq_ft' => $rate->tons === null ? null : $rate->tons * LimeRate::POUNDS_PER_1000_SQ_FT,
            'at_most' => $rate->atMost,
            'interval' => $rate->interval,
            'now' => $rate->now,
            'later' => $rate->later,
            'steps' => array_map(static fn (WorkingStep $step): array => $step->toArray(), $rate->rate->steps),
            'reasons' => $rate->reasons,
            'source' => $rate->school->source(),
        ];
    }

    /**
     * @return array{number: int, sample_id: int, code: string, ph: float|null, kind: string, answer: string,
     * tons_per_acre: list<float>}|null
     */
    private static function part(Advised $part): ?array
    {
        return $part->sample === null
            ? null
            : [
                'number' => $part->sample->composite,
                'sample_id' => $part->sample->id,
                'code' => $part->sample->code,
                'ph' => $part->lab?->ph,
                'kind' => $part->advice->kind,
                'answer' => $part->advice->answer,
                'tons_per_acre' => array_values(
                    array_filter(
                        array_map(static fn (SchoolRate $rate): ?float => $rate->tons, $part->advice->rates),
                        is_float(...),
                    ),
                ),
            ];
    }

    /** @return array{id: int, code: string, pulled_on: string, depth: string, cores_pulled: int} */
    private static function sample(Sample $sample): array
    {
        return [
            'id' => $sample->id,
            'code' => $sample->code,
            'pulled_on' => $sample->pulled_on->format('Y-m-d'),
            'depth' => $sample->depth,
            'cores_pulled' => $sample->cores_pulled,
        ];
    }
}
