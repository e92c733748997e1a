<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\LabResult;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Reports\ReportedValue;
use HonestCore\Variance\SamplingFigures;
use Illuminate\Database\Eloquent\Builder;

/** The results and duplicates of a lab that tell where the spread of its results comes from. */
final class SamplingSplit
{
    public function of(TestMethod $lab): SamplingFigures
    {
        return SamplingFigures::of($this->results($lab), $this->twins(), $lab->uncertainty);
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
     * @return array<int, list<float>> the lab's numbers by composite: its own portion first, hidden duplicates after
     *                                 it
     */
    private function results(TestMethod $lab): array
    {
        $results = [];
        $own = Reading::query()
            ->where('method_id', $lab->id)
            ->where('flags', '[]')
            ->whereNotNull('value')
            ->whereDoesntHave('correction')
            ->orderBy('id')
            ->toBase()
            ->get(['sample_id', 'value']);
        $hidden = LabResult::query()
            ->where('lab_results.method_id', $lab->id)
            ->where('lab_results.kind', ReportedValue::NUMBER)
            ->whereNotNull('lab_results.value')
            ->whereNull('lab_results.superseded_by')
            ->where('lab_results.excluded', '')
            ->toBase()
            ->join('portions', 'portions.id', '=', 'lab_results.portion_id')
            ->where('portions.kind', 'hidden')
            ->orderBy('lab_results.id')
            ->get(['portions.sample_id', 'lab_results.value']);
        foreach ([...$own, ...$hidden] as $row) {
            $results[(int) $row->sample_id][] = (float) $row->value;
        }

        return $results;
    }

    /** @return list<array{int, int}> composites and the duplicates that were pulled of their ground */
    private function twins(): array
    {
        $twins = $by = [];
        // Layouts are large: only those of plans that asked for duplicates are looked at.
        $doubled = static fn (): Builder => Plan::query()->where('spec->quality->duplicates', '>', 0);
        $samples = Sample::query()
            ->whereIn('plan_id', $doubled()->select('id'))
            ->orderBy('id')
            ->toBase()
            ->get(['id', 'plan_id', 'composite', 'depth']);
        foreach ($samples as $sample) {
            $by[(int) $sample->plan_id]["{$sample->depth}/{$sample->composite}"] ??= (int) $sample->id;
        }
        foreach ($doubled()->whereKey(array_keys($by))->get(['id', 'layout']) as $plan) {
            $of = $plan->layout->doubles();
            foreach ($by[$plan->id] as $place => $sample) {
                [$depth, $composite] = explode('/', $place);
                $first = isset($of[(int) $composite]) ? $by[$plan->id]["{$depth}/{$of[(int) $composite]}"] ?? null : null;
                if ($first !== null) {
                    $twins[] = [$first, $sample];
                }
            }
        }

        return $twins;
    }
}
