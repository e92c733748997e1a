<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Actions\FollowUp\AnsweredLine;
use HonestCore\Analyte\Analytes;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\Program\WantedCrop;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property AnsweredLine $resource */
final class AnswerResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(AnsweredLine $line): array
    {
        $answer = $line->answer;
        $response = $answer->response;
        $analyte = Analytes::get($line->lines[0]->analyte());

        return [
            'program_id' => $line->program->id,
            'area_id' => $line->area->id,
            'area' => $line->area->name,
            'season' => $line->program->season,
            'crop' => WantedCrop::of($line->program->crop)->name,
            'signed_on' => $line->program->created_at->setTimezone($line->area->site->timezone)->format('Y-m-d'),
            'key' => $line->key,
            'analyte' => $analyte->code,
            'unit' => $analyte->isUnitless() ? '' : $analyte->homeUnit,
            'digits' => $analyte->digits,
            'school' => $line->school(),
            'soil' => $line->lines[0]->soil,
            'state' => $answer->state,
            'word' => $answer->word,
            'says' => $answer->sentence($analyte),
            'expected' => $answer->expected,
            'spread_lb_per_acre' => $line->spreadLb,
            'spread' => array_map(
                static fn (GroundAct $act): array => ['on' => $act->day(), 'what' => $act->what, 'lb_per_acre' => $act->lbPerAcre],
                $line->acts,
            ),
            'before' => self::point($answer->before),
            'after' => self::point($answer->after),
            'control' => $line->control?->name,
            'change' => $response === null ? null : ['treated' => $response->treatedChange, 'control' => $response->controlChange],
            'plots' => $response === null ? null : ['treated' => $response->treated, 'control' => $response->control],
            'difference' => $response?->difference,
            'interval' => $response?->interval,
            'smallest_seen' => $response?->smallestSeen,
            'smallest_with_power' => $response?->smallestWithPower,
            'reasons' => $answer->reasons,
            'design' => $answer->design?->toArray(),
        ];
    }

    /** @return array<string, mixed>|null */
    public static function point(?SeriesPoint $point): ?array
    {
        return $point === null
            ? null
            : [
                'on' => $point->on,
                'mean' => $point->mean(),
                'u' => $point->uMean(),
                'composites' => count($point->values),
                'lab' => $point->lab,
                'method' => $point->method,
                'extractant' => $point->extractant,
                'layer' => $point->layer,
                'codes' => $point->codes,
            ];
    }
}
