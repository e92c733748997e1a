<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Values;
use App\Models\CheckSoil;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\ReportQuestion;
use App\Models\TestMethod;
use HonestCore\Reports\AskedResult;
use HonestCore\Reports\BatchQuestions;
use HonestCore\Reports\BatchSample;
use HonestCore\Reports\DuplicateLimit;
use HonestCore\Reports\MistakenUnit;
use HonestCore\Reports\Question;
use HonestCore\Reports\QuestionKind;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\SampleQuestions;
use HonestCore\Reports\SeriesHistory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * Looks at a report and writes down what should be asked of it: each sample for itself, beside the earlier results of
 * its ground, duplicates beside one another, check soils beside their value, and all of it together.
 */
final class AskQuestions
{
    private const MOST = 500;

    /** Earlier results in an area after which a lab's own series is asked before another's. */
    private const LONG_ENOUGH = 4;

    /** @var array<string, array<string, int>> results by the code of their portion and their series */
    private array $resultIds = [];

    /** @return list<Question> to be kept when it is taken */
    public function of(LabReport $report): array
    {
        $this->resultIds = [];
        // Plain rows: a report may hold 100,000 of them.
        $results = LabResult::query()
            ->where('report_id', $report->id)
            ->where('kind', ReportedValue::NUMBER)
            ->whereNotNull('value')
            ->orderBy('id')
            ->toBase()
            ->get(['id', 'portion_id', 'method_id', 'value']);
        $portions = $this->portions($report);
        $methods = TestMethod::query()
            ->whereIn('id', $results->pluck('method_id')->unique())
            ->get()
            ->keyBy('id');
        $series = $methods->map(self::series(...))->all();
        $analytes = $methods->pluck('analyte', 'id')->all();
        $bySample = [];
        foreach ($results as $result) {
            $portion = $portions[(int) $result->portion_id] ?? throw new \LogicException('A result has its portion.');
            $id = (int) $result->method_id;
            $this->resultIds[$portion->code][$series[$id]] = (int) $result->id;
            $bySample[(int) $result->portion_id][$series[$id]] = new AskedResult(Values::text($analytes[$id]), (float) $result->value, $id);
        }
        unset($results);
        $questions = [
            ...$this->eachSample($bySample, $portions),
            ...$this->duplicates($bySample, $portions, $methods),
            ...$this->checks($bySample, $portions, $methods, $report),
            ...$this->together($bySample, $portions, $report),
            ...$this->besideTheLab($bySample, $portions, $methods, $report),
        ];

        return array_slice($questions, 0, self::MOST);
    }

    /** @return array<int, AskedPortion> those of a report, by id */
    private function portions(LabReport $report): array
    {
        $rows = Portion::query()
            ->toBase()
            ->leftJoin('samples', 'samples.id', '=', 'portions.sample_id')
            ->whereIn(
                'portions.id',
                LabResult::query()->where('report_id', $report->id)->select('portion_id')->toBase(),
            )
            ->select([
                'portions.id',
                'portions.code',
                'portions.kind',
                'portions.sample_id',
                'portions.check_soil_id',
                'samples.area_id',
            ])
            ->orderBy('portions.id');
        $portions = [];
        foreach ($rows->cursor() as $row) {
            $portions[(int) $row->id] = AskedPortion::of($row);
        }

        return $portions;
    }

    /**
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @return list<Question>
     */
    private function eachSample(array $bySample, array $portions): array
    {
        $questions = [];
        foreach ($bySample as $id => $results) {
            array_push($questions, ...SampleQuestions::of($portions[$id]->code ?? '', $results));
            if (count($questions) > self::MOST) {
                break;
            }
        }

        return $questions;
    }

    /**
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @param Collection<int, TestMethod> $methods
     * @return list<Question>
     */
    private function duplicates(array $bySample, array $portions, Collection $methods): array
    {
        $questions = [];
        foreach ($portions as $hiddenId => $hidden) {
            if ($hidden->kind !== 'hidden') {
                continue;
            }
            $own = Portion::query()->where('sample_id', $hidden->sampleId)->where('kind', 'lab')->first();
            if ($own === null) {
                continue;
            }
            foreach ($bySample[$hiddenId] ?? [] as $series => $other) {
                $known = $bySample[$own->id][$series] ?? null;
                $one =
                    $known->value ??
                    Reading::query()
                        ->where('portion_id', $own->id)
                        ->where('method_id', $other->method)
                        ->whereDoesntHave('correction')
                        ->value('value');
                $uncertainty = $methods[$other->method]?->uncertainty;
                $question = ! is_numeric($one)
                    ? null
                    : DuplicateLimit::question(
                        $other->analyte,
                        $series,
                        $own->code,
                        (float) $one,
                        $hidden->code,
                        $other->value,
                        $uncertainty === null ? null : $uncertainty / 2,
                    );
                $questions = $question === null ? $questions : [...$questions, $question];
            }
        }

        return $questions;
    }

    /**
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @param Collection<int, TestMethod> $methods
     * @return list<Question>
     */
    private function checks(array $bySample, array $portions, Collection $methods, LabReport $report): array
    {
        $questions = [];
        $soils = CheckSoil::query()
            ->whereIn(
                'id',
                array_unique(
                    array_filter(array_map(static fn (AskedPortion $portion): ?int => $portion->checkSoilId, $portions)),
                ),
            )
            ->get()
            ->keyBy('id');
        foreach ($portions as $id => $portion) {
            $soil = $portion->kind === 'check' ? $soils[$portion->checkSoilId] ?? null : null;
            if ($soil === null) {
                continue;
            }
            foreach ($bySample[$id] ?? [] as $series => $result) {
                $method = $methods[$result->method] ?? throw new \LogicException('A result has its method.');
                $known = $soil->known[$result->analyte] ?? null;
                foreach (self::signals($soil, $method, $id, $report) as $signal) {
                    $questions[] = new Question(
                        QuestionKind::Check,
                        "{$portion->code}, the check soil {$soil->name}: {$series} came back as {$result->value}".
                            ($known === null ? '' : " and is {$known['value']}").
                            ". {$signal}",
                        [$portion->code],
                        [$series],
                    );
                }
            }
        }

        return $questions;
    }

    /** @return list<string> what the chart of a check soil says of this portion's result */
    private static function signals(CheckSoil $soil, TestMethod $method, int $portion, LabReport $report): array
    {
        $results = CheckCharts::results($soil->id, $method->id, $report->id);
        $words = [];
        foreach (CheckCharts::chart($soil, $method, $results)->signals ?? [] as $signal) {
            $at = $results[$signal['at']] ?? null;
            if ($at?->portion_id === $portion && $at->report_id === $report->id) {
                $words[] = $signal['words'];
            }
        }

        return $words;
    }

    /**
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @return list<Question>
     */
    private function together(array $bySample, array $portions, LabReport $report): array
    {
        $histories = $this->histories($bySample, $portions, $report);
        [$questions, $samples] = [[], []];
        foreach ($bySample as $id => $results) {
            $portion = $portions[$id] ?? null;
            $area = $portion?->areaId;
            [$values, $besides] = [[], []];
            if ($portion === null || $area === null || $portion->kind === 'hidden') {
                continue;
            }
            foreach ($results as $series => $result) {
                $history = $histories[$result->method][$area] ?? null;
                if ($history !== null) {
                    [$values[$series], $besides[$series]] = [$result->value, $history];
                    if ($history->isFar($result->value)) {
                        $questions[] = new Question(
                            QuestionKind::History,
                            "{$portion->code}: {$series} of {$result->value} lies far from the ".
                                round($history->usual(), 2).
                                " that {$history->n} earlier results of this ground give.".
                                ($history->explained($result->value) === ''
                                    ? ''
                                    : ' '.ucfirst($history->explained($result->value)).'.'),
                            [$portion->code],
                            [$series],
                        );
                    }
                }
            }
            if ($values !== []) {
                $samples[] = new BatchSample($portion->code, (string) $area, $values, $besides);
            }
        }

        $swaps = BatchQuestions::swaps($samples);
        $exchanged = array_merge(...array_map(static fn (Question $swap): array => $swap->samples, $swaps));
        // What looks exchanged lies far from its own ground for that reason: it is asked once.
        $others = array_filter($questions, static fn (Question $one): bool => array_diff($one->samples, $exchanged) !== []);

        return [...$swaps, ...BatchQuestions::shifts($samples), ...array_values($others)];
    }

    /**
     * Series of the report that lie, all together, a known factor from what the lab gave before.
     *
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @param Collection<int, TestMethod> $methods
     * @return list<Question>
     */
    private function besideTheLab(array $bySample, array $portions, Collection $methods, LabReport $report): array
    {
        [$values, $codes] = [[], []];
        foreach ($bySample as $id => $results) {
            foreach ($results as $result) {
                $values[$result->method][] = $result->value;
                $codes[$result->method][] = $portions[$id]->code ?? '';
            }
        }
        $questions = [];
        foreach ($values as $id => $inReport) {
            $method = $methods[$id] ?? null;
            if ($method === null || in_array($method->analyte, ['ph', 'buffer_ph'], true)) {
                continue;
            }
            $earlier = LabResult::query()
                ->toBase()
                ->where('method_id', $id)
                ->where('team_id', $report->team_id)
                ->where('report_id', '!=', $report->id)
                ->where('kind', ReportedValue::NUMBER)
                ->whereNotNull('value')
                ->orderByDesc('id')
                ->limit(400)
                ->pluck('value');
            $words = MistakenUnit::ofBatch($method->analyte, self::series($method), $inReport, Values::numbers($earlier));
            if ($words !== null) {
                $questions[] = new Question(QuestionKind::Unit, $words, array_slice($codes[$id], 0, 500), [self::series($method)]);
            }
        }

        return $questions;
    }

    /**
     * @param array<int, array<string, AskedResult>> $bySample
     * @param array<int, AskedPortion> $portions
     * @return array<int, array<int, SeriesHistory>> by method and area
     */
    private function histories(array $bySample, array $portions, LabReport $report): array
    {
        $methods = [];
        foreach ($bySample as $results) {
            foreach ($results as $result) {
                $methods[$result->method] = $result->analyte;
            }
        }
        $areas = array_values(
            array_unique(
                array_filter(array_map(static fn (AskedPortion $portion): ?int => $portion->areaId, $portions)),
            ),
        );
        $alike = self::alike(array_keys($methods));
        $values = self::earlier(array_unique(array_merge(...array_values($alike) ?: [[]])), $areas, $report);
        $histories = [];
        foreach ($methods as $method => $analyte) {
            foreach ($areas as $area) {
                $longest = self::longest(
                    array_map(static fn (int $other): array => $values[$other][$area] ?? [], $alike[$method]),
                );
                if (count($longest) >= 2) {
                    $histories[$method][$area] = SeriesHistory::of($analyte, array_slice($longest, 0, 30));
                }
            }
        }

        return $histories;
    }

    /**
     * A method's own series where that is long enough, else the longest of any lab by the same extractant.
     *
     * @param list<list<float>> $lists its own first
     * @return list<float>
     */
    private static function longest(array $lists): array
    {
        if (count($lists[0] ?? []) < self::LONG_ENOUGH) {
            usort($lists, static fn (array $a, array $b): int => count($b) <=> count($a));
        }

        return $lists[0] ?? [];
    }

    /**
     * Readings that are not in doubt and came otherwise than by this report.
     *
     * @param array<int, int> $methods
     * @param list<int> $areas
     * @return array<int, array<int, list<float>>> by method and area, the newest first
     */
    private static function earlier(array $methods, array $areas, LabReport $report): array
    {
        $earlier = Reading::query()
            ->toBase()
            ->join('samples', 'samples.id', '=', 'readings.sample_id')
            ->whereIn('readings.method_id', $methods)
            ->whereIn('samples.area_id', $areas)
            ->where(
                static fn ($query) => $query
                    ->whereNull('readings.report_id')
                    ->orWhere('readings.report_id', '!=', $report->id),
            )
            ->where('readings.flags', '[]')
            ->whereNotExists(
                static fn ($query) => $query->from('readings as later')->whereColumn('later.corrects_id', 'readings.id'),
            )
            ->whereNotNull('readings.value')
            ->orderByDesc('readings.id')
            ->get(['readings.id', 'readings.method_id', 'samples.area_id', 'readings.value']);
        $doubted = self::doubted();
        $values = [];
        foreach ($earlier as $reading) {
            if (isset($doubted[(int) $reading->id])) {
                continue;
            }
            $values[(int) $reading->method_id][(int) $reading->area_id][] = (float) $reading->value;
        }

        return $values;
    }

    /**
     * Readings that stand in a question nobody has answered: they vouch for nothing.
     *
     * @return array<int, true>
     */
    public static function doubted(): array
    {
        $results = [];
        foreach (
            ReportQuestion::query()
                ->whereNull('answer')
                ->whereIn('kind', QuestionKind::doubts())
                ->get(['id', 'result_ids']) as $question
        ) {
            $results = [...$results, ...$question->result_ids];
        }
        $readings = [];
        foreach (array_chunk(array_values(array_unique($results)), 500) as $some) {
            foreach (LabResult::query()->whereKey($some)->whereNotNull('reading_id')->pluck('reading_id') as $id) {
                $readings[Values::whole($id)] = true;
            }
        }

        return $readings;
    }

    /**
     * Methods of any lab that measure the same by the same extractant, each method itself first.
     *
     * @param list<int> $methods
     * @return array<int, list<int>>
     */
    private static function alike(array $methods): array
    {
        $all = TestMethod::query()
            ->where('workplace', 'lab')
            ->get(['id', 'analyte', 'extractant']);
        $alike = [];
        foreach ($all->whereIn('id', $methods) as $method) {
            $others = $all
                ->filter(
                    static fn (TestMethod $one): bool => $one->id !== $method->id &&
                        $one->analyte === $method->analyte &&
                        $one->extractant === $method->extractant,
                )
                ->pluck('id')
                ->all();
            $alike[$method->id] = [$method->id, ...Values::wholes($others)];
        }

        return $alike;
    }

    /** @param list<Question> $questions that were asked of this report just now */
    public function keep(LabReport $report, array $questions): void
    {
        $now = Carbon::now();
        ReportQuestion::query()->insert(
            array_map(
                fn (Question $question): array => [
                    'team_id' => $report->team_id,
                    'report_id' => $report->id,
                    'kind' => $question->kind->value,
                    'words' => $question->words,
                    'note' => '',
                    'created_at' => $now,
                    'updated_at' => $now,
                    'result_ids' => json_encode($this->resultsOf($question), JSON_THROW_ON_ERROR),
                ],
                $questions,
            ),
        );
    }

    /** @return list<int> all of two samples that look exchanged, else those of the series that are asked about */
    private function resultsOf(Question $question): array
    {
        $ids = [];
        foreach ($question->samples as $code) {
            $own = $this->resultIds[$code] ?? [];
            array_push(
                $ids,
                ...array_values(
                    $question->kind->isOfWholeSamples() ? $own : array_intersect_key($own, array_flip($question->series)),
                ),
            );
        }

        return $ids;
    }

    /** How a series is named: what is measured, and how it was extracted. */
    public static function series(TestMethod $method): string
    {
        return ($method->analyte === 'ph'
            ? 'pH'
            : ($method->analyte === 'buffer_ph'
                ? 'buffer pH'
                : $method->analyte)).
            ($method->extractant === '' ? '' : ", {$method->extractant}").
            ($method->instrument === '' ? '' : ", {$method->instrument}");
    }
}
