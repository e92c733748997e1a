<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\SamplingSplit;
use App\Database\Counted;
use App\Database\Page;
use App\Database\Values;
use App\Models\JudgingPolicy;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\LabsApart;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SideMark;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Bench\ProtocolBreak;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\SeriesUncertainty;
use HonestCore\Statistics\Spread;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Rows;

/**
 * All that was read of one analyte, composite by composite: kits, pens and labs, each series for itself, with the
 * action limits of what grows there.
 */
final class SideBySide
{
    private const PER_PAGE = 100;

    /** The newest composites, which say how uncertain a series is and how far labs lie apart, whatever page is shown. */
    private const NEWEST = 300;

    public function __construct(private readonly SamplingSplit $sampling) {}

    public function __invoke(string $analyte, ?int $area, int $page = 1): SideView
    {
        /** @var Collection<int, TestMethod> $methods */
        $methods = TestMethod::query()
            ->where('analyte', $analyte)
            ->orderByDesc('workplace')
            ->orderBy('id')
            ->get()
            ->keyBy('id');
        $policy = JudgingPolicy::newest($analyte);
        $said = self::noNumbers($methods->modelKeys());
        $all = self::read($methods->modelKeys(), $said, $area);
        $total = Counted::of($all);
        $ordered = ($total->areMany() ? self::readOrSaid($methods->modelKeys(), $area) : $all)
            ->orderByDesc('year')->orderByDesc('number');
        $newest = self::newest($ordered, $methods->modelKeys());
        $shown = Page::counted($total, $ordered->with('area'), $page, self::PER_PAGE);
        $samples = $shown->rows;
        $readings = Reading::query()
            ->whereIn('method_id', $methods->modelKeys())
            ->whereIn('sample_id', $samples->modelKeys())
            ->whereDoesntHave('correction')
            ->orderBy('id')
            ->get();
        $others = $said
            ->whereIn(
                'lab_results.portion_id',
                Portion::query()->whereIn('sample_id', $samples->modelKeys())->select('id'),
            )
            ->with(['portion:id,sample_id', 'report:id,read_on'])
            ->get();
        $series = $this->series($methods, $newest);
        $rows = self::rows($samples, $series, $readings, $others, $policy);
        $used = array_flip(Values::wholes([...$readings->pluck('method_id'), ...$others->pluck('method_id')]));

        return new SideView(
            $analyte,
            $shown,
            $policy,
            array_values(array_intersect_key($series, $used)),
            $rows,
            self::labs($series, $newest, $policy),
            $newest->pluck('area', 'area_id')->map(Values::text(...))->sort()->all(),
        );
    }

    /** @return list<array{code: string, name: string, readings: int}> analytes that anything was read of */
    public static function analytes(): array
    {
        $methods = TestMethod::query()->pluck('analyte', 'id');
        $counts = [];
        foreach (Reading::countedByMethod() as $method => $count) {
            $counts[Values::text($methods[$method])] = $count + ($counts[Values::text($methods[$method])] ?? 0);
        }
        $known = array_values(
            array_filter(
                array_keys($counts),
                static fn (int|string $code): bool => SoilUnit::home((string) $code) !== null,
            ),
        );
        $order = array_keys(Analytes::all());
        usort(
            $known,
            static fn (int|string $a, int|string $b): int => [$counts[$b], array_search($a, $order, true)] <=> [
                $counts[$a],
                array_search($b, $order, true),
            ],
        );

        return array_map(
            static fn (int|string $code): array => [
                'code' => (string) $code,
                'name' => Analytes::name((string) $code),
                'readings' => Values::whole($counts[$code]),
            ],
            $known,
        );
    }

    /**
     * Results of these methods that are no single number.
     *
     * @param array<int|string> $methods ids
     * @return Builder<LabResult>
     */
    private static function noNumbers(array $methods): Builder
    {
        return LabResult::query()
            ->whereIn('lab_results.method_id', $methods)
            ->whereRaw("lab_results.kind <> 'number'")
            ->whereNull('lab_results.superseded_by');
    }

    /**
     * Composites that anything was read of.
     *
     * @param array<int|string> $methods ids
     * @param Builder<LabResult> $said
     * @return Builder<Sample>
     */
    private static function read(array $methods, Builder $said, ?int $area): Builder
    {
        $saidOf = Portion::query()
            ->whereIn('id', (clone $said)->select('lab_results.portion_id'))
            ->whereNotNull('sample_id')
            ->select('sample_id');
        $read = Reading::query()->whereIn('method_id', $methods)->select('sample_id');

        return Sample::query()
            ->when($area !== null, static fn ($query) => $query->where('area_id', $area))
            ->where(static fn ($query) => $query->whereIn('id', $read)->orWhereIn('id', $saidOf));
    }

    /**
     * The same where they are many: looked for from the newest on.
     *
     * @param array<int|string> $methods ids
     * @return Builder<Sample>
     */
    private static function readOrSaid(array $methods, ?int $area): Builder
    {
        return Sample::query()
            ->when($area !== null, static fn ($query) => $query->where('area_id', $area))
            ->where(
                static fn ($query) => $query
                    ->whereHas('readings', static fn ($readings) => $readings->whereIn('method_id', $methods))
                    ->orWhereHas('portions', static fn ($portions) => $portions->whereIn(
                        'portions.id',
                        self::noNumbers($methods)->select('lab_results.portion_id'),
                    )),
            );
    }

    /**
     * What the newest composites were read as, one row a reading without a broken protocol, without models.
     *
     * @param Builder<Sample> $ordered
     * @param array<int|string> $methods ids
     * @return Rows<int, object{method_id: int, sample_id: int, value: float, area_id: int, area: string, use: string}>
     */
    private static function newest(Builder $ordered, array $methods): Rows
    {
        $ids = $ordered->clone()->limit(self::NEWEST)->pluck('id');

        $readings = Reading::query();
        $readings
            ->whereIn('readings.method_id', $methods)
            ->whereIn('readings.sample_id', $ids)
            ->where('readings.flags', '[]')
            ->whereNotNull('readings.value')
            ->whereDoesntHave('correction')
            ->join('samples', 'samples.id', '=', 'readings.sample_id')
            ->join('areas', 'areas.id', '=', 'samples.area_id')
            ->orderBy('readings.id');

        /** @var Rows<int, object{method_id: int, sample_id: int, value: float, area_id: int, area: string, use: string}> */
        return $readings->toBase()->get([
            'readings.method_id', 'readings.sample_id', 'readings.value', 'samples.area_id', 'areas.name as area', 'areas.use',
        ]);
    }

    /**
     * @param Collection<int, TestMethod> $methods
     * @param Rows<int, object{method_id: int, sample_id: int, value: float, area_id: int, area: string, use: string}> $newest
     * @return array<int, SideSeries> by method
     */
    private function series(Collection $methods, Rows $newest): array
    {
        $repeats = [];
        foreach ($newest as $one) {
            $repeats[$one->method_id][$one->sample_id][] = $one->value;
        }
        $series = [];
        foreach ($methods as $method) {
            $ofLab = $method->workplace === 'lab';
            $of = TestMethod::extractantOf($method->analyte);
            $series[$method->id] = new SideSeries(
                $method,
                SeriesUncertainty::of(
                    $method->analyte,
                    $ofLab,
                    $method->uncertainty,
                    $ofLab ? $this->sampling->of($method)->expanded : null,
                    $method->bands !== null ? [] : array_values($repeats[$method->id] ?? []),
                ),
                // Limits that were made for one extractant say nothing of another.
                $of === '' || ! $ofLab || $method->extractant === $of,
            );
        }

        return $series;
    }

    /**
     * @param Collection<int, Sample> $samples
     * @param array<int, SideSeries> $series
     * @param Collection<int, Reading> $readings
     * @param Collection<int, LabResult> $others
     * @return list<SideRow>
     */
    private static function rows(
        Collection $samples,
        array $series,
        Collection $readings,
        Collection $others,
        ?JudgingPolicy $policy,
    ): array {
        $bySample = $readings->groupBy('sample_id');
        $othersBySample = $others->groupBy('portion.sample_id');
        $rows = [];
        foreach ($samples as $sample) {
            $limits = $policy?->limitsFor($sample->area->use);
            $marks = [];
            foreach ($bySample[$sample->id] ?? [] as $reading) {
                $marks[] = self::ofReading($reading, $series[$reading->method_id], $limits, $policy->terms->blind ?? false);
            }
            foreach ($othersBySample[$sample->id] ?? [] as $result) {
                $marks[] = self::ofResult($result, $series[$result->method_id], $limits);
            }
            $rows[] = new SideRow($sample, $limits, $marks);
        }

        return $rows;
    }

    private static function ofReading(Reading $reading, SideSeries $series, ?ActionLimits $limits, bool $blind): SideReading
    {
        $holds = $series->limitsHold ? $limits : null;
        $scale = $reading->band === null ? null : $series->method->scale();
        $band = $reading->band === null ? null : $scale?->named($reading->band);
        $other = $reading->between === null ? null : $scale?->named($reading->between);
        $uncertainty = $reading->value === null ? null : $series->uncertainty->at($reading->value);

        return new SideReading(
            $series->method->id,
            $reading->read_on->format('Y-m-d'),
            array_map(
                ProtocolBreak::nameOf(...),
                [...$reading->flags, ...$blind && $reading->seenBefore() === true ? [GatherEvidence::NOT_BLIND] : []],
            ),
            $band === null
                ? SideMark::ofNumber($reading->value, $uncertainty, $reading->as_reported, $holds)
                : SideMark::ofBand($band, $other, $holds),
        );
    }

    /** A result that is no single number: below or above a figure, a range, a trace, a rating. */
    private static function ofResult(LabResult $result, SideSeries $series, ?ActionLimits $limits): SideReading
    {
        [$from, $to] = match ($result->kind) {
            ReportedValue::BELOW => [-INF, $result->value ?? NAN],
            ReportedValue::ABOVE => [$result->value ?? NAN, INF],
            ReportedValue::RANGE => [$result->value ?? NAN, $result->upper ?? NAN],
            default => [NAN, NAN],
        };
        $shown = trim("{$result->as_reported} {$result->unit}");

        return new SideReading(
            $series->method->id,
            $result->report->read_on?->format('Y-m-d') ?? '',
            $result->excluded === '' ? [] : [$result->excluded],
            SideMark::ofResult($from, $to, $shown, $result->kind, $series->limitsHold ? $limits : null),
        );
    }

    /**
     * Labs beside labs, by the same extractant and instrument alone.
     *
     * @param array<int, SideSeries> $series
     * @param Rows<int, object{method_id: int, sample_id: int, value: float, area_id: int, area: string, use: string}> $newest
     * @return list<SideLabs>
     */
    private static function labs(array $series, Rows $newest, ?JudgingPolicy $policy): array
    {
        $labs = array_values(
            array_filter($series, static fn (SideSeries $one): bool => $one->method->workplace === 'lab'),
        );
        [$read, $uses, $pairs] = [[], [], []];
        foreach ($newest as $one) {
            $read[$one->method_id][$one->sample_id][] = $one->value;
            $uses[$one->sample_id] = $one->use;
        }
        foreach ($labs as $i => $one) {
            foreach (array_slice($labs, $i + 1) as $other) {
                if (! $one->method->measuresAs($other->method)) {
                    continue;
                }
                $means = [];
                foreach (array_intersect_key($read[$one->method->id] ?? [], $read[$other->method->id] ?? []) as $sample => $values) {
                    [$a, $b] = [Spread::mean($values), Spread::mean($read[$other->method->id][$sample])];
                    $limits = $policy?->limitsFor($uses[$sample]);
                    $close = $limits !== null &&
                        (Call::ofValue($a, $one->uncertainty->at($a), $limits)->isTooClose() ||
                            Call::ofValue($b, $other->uncertainty->at($b), $limits)->isTooClose());
                    $means[] = [$a, $b, $limits, $close];
                }
                $apart = LabsApart::of($means, $policy->terms->scale ?? Scale::Absolute);
                if ($apart !== null) {
                    $pairs[] = new SideLabs($one->method->name, $other->method->name, $apart);
                }
            }
        }

        return $pairs;
    }
}
