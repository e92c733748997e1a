<?php

declare(strict_types=1);

namespace App\Http\Resources\Reports;

use App\Actions\Reports\SideLabs;
use App\Actions\Reports\SideReading;
use App\Actions\Reports\SideRow;
use App\Actions\Reports\SideSeries;
use App\Actions\Reports\SideView;
use App\Models\TestMethod;
use HonestCore\Agreement\Scale;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property SideView $resource */
final class SideBySideResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;

        return [
            ...$view->page->turner(),
            'areas' => array_map(
                static fn (int|string $id, string $name): array => ['id' => (int) $id, 'name' => $name],
                array_keys($view->areas),
                $view->areas,
            ),
            'analyte' => $view->analyte,
            'name' => Analytes::name($view->analyte),
            'unit' => SoilUnit::home($view->analyte)->code ?? '',
            'digits' => Analytes::find($view->analyte)->digits ?? 2,
            'actions' => $view->policy->terms->actions ?? [],
            'ratio' => $view->policy?->terms->scale === Scale::Ratio,
            'limits_of' => TestMethod::extractantOf($view->analyte),
            'series' => array_map(self::series(...), $view->series),
            'rows' => array_map(self::row(...), $view->rows),
            'labs' => array_map(fn (SideLabs $labs): array => $this->labs($labs), $view->labs),
        ];
    }

    /** @return array<string, mixed> */
    private static function series(SideSeries $series): array
    {
        $method = $series->method;

        return [
            'id' => $method->id,
            'name' => $method->name,
            'workplace' => $method->workplace,
            'extractant' => $method->extractant,
            'instrument' => $method->instrument,
            'banded' => $method->bands !== null,
            'uncertainty' => $series->uncertainty->expanded,
            'uncertainty_from' => $series->uncertainty->from,
            'limits_hold' => $series->limitsHold,
        ];
    }

    /** @return array<string, mixed> */
    private static function row(SideRow $row): array
    {
        $sample = $row->sample;

        return [
            'sample_id' => $sample->id,
            'code' => $sample->code,
            'area' => $sample->area->name,
            'area_id' => $sample->area_id,
            'crop' => $sample->area->crop()->name,
            'depth' => $sample->depth,
            'pulled_on' => $sample->pulled_on->format('Y-m-d'),
            'limits' => $row->limits->values ?? [],
            'marks' => array_map(
                static fn (SideReading $one): array => [
                    'method_id' => $one->methodId,
                    'read_on' => $one->readOn,
                    'left_out' => $one->leftOut,
                ] + get_object_vars($one->mark),
                $row->readings,
            ),
            'state' => $row->state(),
        ];
    }

    /** @return array<string, mixed> */
    private function labs(SideLabs $labs): array
    {
        $apart = $labs->apart;
        $isSet = $this->resource->policy !== null;

        return [
            'one' => $labs->one,
            'other' => $labs->other,
            'n' => $apart->n,
            'mean' => $apart->differences->mean,
            'lower' => $apart->differences->lower,
            'upper' => $apart->differences->upper,
            'same' => $isSet ? $apart->same : null,
            'close' => $isSet ? $apart->close : null,
        ];
    }
}
