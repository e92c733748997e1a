<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Values;
use App\Models\CheckSoil;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\TestMethod;
use HonestCore\Reports\ControlChart;
use HonestCore\Reports\ReportedValue;
use Illuminate\Database\Eloquent\Collection;

/** The control charts of check soils: every result of a soil by a method, in the order it was reported. */
final class CheckCharts
{
    /** @return list<array<string, mixed>> */
    public function all(): array
    {
        $charts = [];
        $soils = CheckSoil::query()->orderBy('id')->get();
        $used = LabResult::query()
            ->where('kind', ReportedValue::NUMBER)
            ->whereIn('portion_id', self::portions(null))
            ->distinct()
            ->pluck('method_id');
        $methods = TestMethod::query()->whereIn('id', $used)->orderBy('id')->get();
        foreach ($soils as $soil) {
            foreach ($methods as $method) {
                $results = self::results($soil->id, $method->id, null);
                if ($results->isNotEmpty()) {
                    $charts[] = self::shape($soil, $method, $results);
                }
            }
        }

        return $charts;
    }

    /**
     * Results of a check soil by a method that count, up to a report where one is named.
     *
     * @return Collection<int, LabResult>
     */
    public static function results(int $soil, int $method, ?int $upTo): Collection
    {
        return LabResult::query()
            ->where('method_id', $method)
            ->where('kind', ReportedValue::NUMBER)
            ->whereNotNull('value')
            ->when($upTo !== null, static fn ($query) => $query->where('report_id', '<=', $upTo))
            ->whereNull('superseded_by')
            ->where('excluded', '')
            ->whereIn('portion_id', self::portions($soil))
            ->with(['portion:id,code', 'report:id,file_name,read_on'])
            ->orderBy('report_id')
            ->orderBy('id')
            ->get();
    }

    /**
     * Portions of a check soil, or of any: few, so that results are looked for by them.
     *
     * @return list<int>
     */
    private static function portions(?int $soil): array
    {
        return Values::wholes(
            Portion::query()
                ->whereNotNull('check_soil_id')
                ->when($soil !== null, static fn ($portions) => $portions->where('check_soil_id', $soil))
                ->pluck('id'),
        );
    }

    /** @param Collection<int, LabResult> $results */
    public static function chart(CheckSoil $soil, TestMethod $method, Collection $results): ?ControlChart
    {
        $values = array_values(
            array_map(static fn (LabResult $result): float => (float) $result->value, $results->all()),
        );
        $known = $soil->known[$method->analyte] ?? null;
        if (count($values) < ($known === null ? 2 : 1)) {
            return null;
        }

        return ControlChart::of(
            $values,
            $known === null
                ? null
                : [
                    'value' => (float) $known['value'],
                    'sigma' => max(0.001, hypot((float) $known['uncertainty'], (float) $method->uncertainty) / 2),
                ],
        );
    }

    /**
     * @param Collection<int, LabResult> $results
     * @return array<string, mixed>
     */
    private static function shape(CheckSoil $soil, TestMethod $method, Collection $results): array
    {
        $chart = self::chart($soil, $method, $results);
        $signals = array_column($chart->signals ?? [], 'words', 'at');
        $points = [];
        foreach ($results->values() as $i => $result) {
            $points[] = [
                'value' => (float) $result->value,
                'range' => $i === 0 ? null : $chart->ranges[$i - 1] ?? null,
                'read_on' => $result->report->read_on?->format('Y-m-d'),
                'report' => $result->report->file_name,
                'report_id' => $result->report_id,
                'portion' => $result->portion->code,
                'signal' => $signals[$i] ?? null,
            ];
        }

        return [
            'soil' => $soil->name,
            'series' => AskQuestions::series($method),
            'method' => $method->name,
            'unit' => SeriesMethods::unit($method),
            'known' => isset($soil->known[$method->analyte]),
            'centre' => $chart?->centre,
            'sigma' => $chart?->sigma,
            'lower' => $chart?->lowerLimit(),
            'upper' => $chart?->upperLimit(),
            'range_limit' => $chart?->rangeLimit,
            'points' => $points,
        ];
    }
}
