<?php

declare(strict_types=1);

namespace App\Http\Resources\Practice;

use App\Actions\Practice\AreaOnGround;
use App\Actions\Practice\CompositeOnGround;
use App\Actions\Practice\RevealView;
use App\Actions\Practice\VerdictOnGround;
use HonestCore\Practice\PracticeCost;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property RevealView $resource */
final class RevealResource extends JsonResource
{
    public function __construct(RevealView $view)
    {
        parent::__construct($view);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $season = $this->resource->season;
        $lesson = $this->resource->lesson;

        return [
            'level' => $season->field->level,
            'seed' => $season->field->seed,
            'map' => [
                'width_m' => $season->field->ground()->widthM,
                'height_m' => $season->field->ground()->heightM,
                'columns' => $season->map->columns,
                'rows' => $season->map->rows,
                'ph' => $season->map->drawn(),
                'cores' => $season->cores,
                ...$season->field->ground()->features(),
            ],
            'areas' => array_map(static fn (AreaOnGround $area): array => [
                'name' => $area->name,
                'ring' => $area->ring,
                'true' => $area->true,
                'low' => $area->low,
                'high' => $area->high,
                'believed' => $area->believed,
                'by' => $area->by,
            ], $season->areas),
            'composites' => array_map(static fn (CompositeOnGround $one): array => [
                'code' => $one->code,
                'area' => $one->area,
                'depth' => $one->depth,
                'cores' => $one->cores,
                'short' => $one->short,
                'of_area' => $one->ofArea,
                'meant' => $one->meant,
                'holds' => $one->holds,
                'lab' => $one->lab,
                'kit' => $one->kit,
            ], $season->composites),
            'verdicts' => array_map(static fn (VerdictOnGround $one): array => [
                'test' => $one->test,
                'claim' => $one->claim,
                'verdict' => $one->verdict,
                'holds' => $one->holds(),
                'outcome' => $one->outcome(),
                'bias' => $one->truth->bias,
                'sd' => $one->truth->sd,
                'agreeing' => $one->truth->agreeing,
            ], $this->resource->verdicts),
            'cost' => self::money($season->cost),
            'careful' => self::money($this->resource->careful),
            'dearest' => array_map(
                static fn (string $choice, float $money): array => ['choice' => $choice, 'money' => $money],
                array_keys($this->resource->dearest),
                array_values($this->resource->dearest),
            ),
            'lesson' => $lesson === null ? null : [
                'title' => $lesson->title,
                'mistake' => $lesson->mistake,
                'tool' => $lesson->tool,
                'made' => $this->resource->made,
                'hinted' => $season->field->hinted_at !== null,
            ],
        ];
    }

    /** @return array<string, int|float> */
    private static function money(PracticeCost $cost): array
    {
        return [
            'samples' => $cost->samples,
            'hours' => $cost->hours,
            'fees' => $cost->labMoney,
            'work' => $cost->totalMoney - $cost->labMoney - $cost->wrongMoney,
            'misplaced_tons' => $cost->misplacedTons,
            'lime' => $cost->limeMoney,
            'yield' => $cost->yieldMoney,
            'total' => $cost->totalMoney,
        ];
    }
}
