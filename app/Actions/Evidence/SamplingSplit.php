<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Values;
use App\Models\LabResult;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Reports\ReportedValue;
use HonestCore\Variance\SamplingFigures;

/**
 * The results and duplicates of a lab that tell where the spread of its results comes from: as they were kept while nothing has
 * changed that they rest on, else looked at anew.
 */
final class SamplingSplit
{
    /** @var array<int, SamplingFigures> */
    private array $known = [];

    /** @var list<array{int, int}>|null */
    private ?array $twins = null;

    public function __construct(private readonly KeptFigures $kept) {}

    public function of(TestMethod $lab): SamplingFigures
    {
        return $this->known[$lab->id] ??= $this->kept->of($lab, fn (): SamplingFigures => $this->anew($lab));
    }

    public function anew(TestMethod $lab): SamplingFigures
    {
        $this->twins ??= $this->twins();

        return SamplingFigures::of($this->results($lab, $this->twins), $this->twins, $lab->uncertainty);
    }

    /**
     * The expanded uncertainty that results of a lab are held against limits with: with the sampling in it where
     * duplicates tell, else what is stated for the lab.
     */
    public function expanded(TestMethod $lab): ?float
    {
        return $this->of($lab)->used;
    }

    /**
     * @param list<array{int, int}> $twins
     * @return array<int, list<float>> the lab's numbers of composites that have a duplicate of some kind: its own portion first,
     *                                 hidden duplicates after it
     */
    private function results(TestMethod $lab, array $twins): array
    {
        $hidden = LabResult::query()
            ->where('lab_results.method_id', $lab->id)
            ->where('lab_results.kind', ReportedValue::NUMBER)
            ->whereNotNull('lab_results.value')
            ->whereNull('lab_results.superseded_by')
            ->where('lab_results.excluded', '')
            ->toBase()
            ->join('portions', 'portions.id', '=', 'lab_results.portion_id')
            ->whereRaw("portions.kind = 'hidden'")
            ->orderBy('lab_results.id')
            ->get(['portions.sample_id', 'lab_results.value']);
        $asked = array_fill_keys(array_merge(...$twins), true) +
            array_fill_keys($hidden->pluck('sample_id')->map(Values::whole(...))->all(), true);
        if ($asked === []) {
            return [];
        }
        $own = Reading::query()
            ->where('method_id', $lab->id)
            ->where('flags', '[]')
            ->whereNotNull('value')
            ->whereDoesntHave('correction')
            ->orderBy('id')
            ->toBase()
            ->select(['sample_id', 'value'])
            ->cursor();
        $results = [];
        foreach ($own as $row) {
            $sample = Values::whole($row->sample_id);
            if (isset($asked[$sample])) {
                $results[$sample][] = Values::number($row->value);
            }
        }
        foreach ($hidden as $row) {
            $results[Values::whole($row->sample_id)][] = Values::number($row->value);
        }

        return $results;
    }

    /** @return list<array{int, int}> composites and the duplicates that were pulled of their ground */
    private function twins(): array
    {
        // Layouts are large: the database itself looks for what doubles what in them.
        $doubled = Plan::query()
            ->whereRaw("json_extract(spec, '$.quality.duplicates') > 0")
            ->toBase()
            ->selectRaw("id, (SELECT group_concat(json_extract(one.value, '$.number') || ':' || json_extract(one.value, '$.duplicate_of'))
                FROM json_each(layout, '$.composites') one WHERE json_extract(one.value, '$.duplicate_of') IS NOT NULL) AS doubles");
        $of = [];
        foreach ($doubled->cursor() as $plan) {
            foreach (array_filter(explode(',', Values::text($plan->doubles ?? ''))) as $pair) {
                [$double, $first] = explode(':', $pair);
                $of[Values::whole($plan->id)][(int) $double] = (int) $first;
            }
        }
        $by = [];
        $samples = Sample::query()
            ->whereIn('plan_id', Plan::query()->whereRaw("json_extract(spec, '$.quality.duplicates') > 0")->select('id'))
            ->orderBy('id')
            ->toBase()
            ->select(['id', 'plan_id', 'composite', 'depth'])
            ->cursor();
        foreach ($samples as $sample) {
            $by[Values::whole($sample->plan_id)]["{$sample->depth}/{$sample->composite}"] ??= Values::whole($sample->id);
        }
        $twins = [];
        foreach ($by as $plan => $own) {
            foreach ($own as $place => $sample) {
                [$depth, $composite] = explode('/', $place);
                $first = isset($of[$plan][(int) $composite]) ? $own["{$depth}/{$of[$plan][(int) $composite]}"] ?? null : null;
                if ($first !== null) {
                    $twins[] = [$first, $sample];
                }
            }
        }

        return $twins;
    }
}
