<?php

declare(strict_types=1);

namespace App\Http\Resources\FollowUp;

use App\Actions\FollowUp\AnsweredLine;
use App\Actions\FollowUp\AreaSeries;
use App\Models\Control;
use HonestCore\Analyte\Analytes;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\FollowUp\SoilSeries;
use HonestCore\FollowUp\WatchedReading;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property AreaSeries $resource */
final class SeriesResource extends JsonResource
{
    /** @param list<AnsweredLine> $answers of the area */
    public function __construct(AreaSeries $series, private readonly array $answers)
    {
        parent::__construct($series);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            'area_id' => $it->area->id,
            'area' => $it->area->name,
            'site_id' => $it->area->site_id,
            'analyte' => $it->analyte->code,
            'name' => $it->analyte->name,
            'unit' => $it->analyte->isUnitless() ? '' : $it->analyte->homeUnit,
            'digits' => $it->analyte->digits,
            'analytes' => array_map(
                static fn (string $code): array => ['code' => $code, 'name' => Analytes::get($code)->name],
                $it->analytes,
            ),
            'treated' => self::series($it->treated),
            'controls' => array_map(
                static fn (Control $control): array => self::control($control) + ['series' => self::series($it->ofControls[$control->id])],
                $it->controls,
            ),
            'acts' => array_map(
                static fn (GroundAct $act): array => [
                    'id' => $act->id,
                    'kind' => $act->kind,
                    'on' => $act->day(),
                    'from' => $act->from,
                    'to' => $act->to,
                    'what' => $act->what,
                    'lb_per_acre' => $act->lbPerAcre,
                    'rain_mm' => $act->rainMm,
                    'part' => $act->part,
                    'source' => $act->source,
                    'program_id' => $act->program,
                ],
                $it->acts,
            ),
            'watched' => array_map(static fn (WatchedReading $one): array => $one->toArray(), $it->watched),
            'scatter' => $it->scatter,
            'answers' => array_map(AnswerResource::row(...), $this->answers),
        ];
    }

    /** @return array<string, mixed> */
    public static function control(Control $control): array
    {
        return [
            'id' => $control->id,
            'name' => $control->name,
            'ground_id' => $control->control_area_id,
            'ground' => $control->ground?->name,
            'since' => $control->since->format('Y-m-d'),
            'ended_on' => $control->ended_on?->format('Y-m-d'),
            'note' => $control->note,
        ];
    }

    /** @return array<string, mixed> */
    private static function series(SoilSeries $series): array
    {
        return [
            'stretches' => array_map(
                static fn (array $one): array => [
                    'points' => array_map(static fn (SeriesPoint $point): ?array => AnswerResource::point($point), $one['points']),
                    'breaks' => $one['breaks'],
                    'trend' => $one['trend']?->toArray(),
                ],
                $series->stretches,
            ),
            'aside' => array_map(static fn (SeriesPoint $point): ?array => AnswerResource::point($point), $series->aside),
        ];
    }
}
