<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\LabResult;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Reports\ReportedValue;
use HonestCore\Variance\HuberSpread;
use HonestCore\Variance\NestedDesign;
use HonestCore\Variance\VarianceSplit;

/**
 * Where the spread of a lab's results comes from: duplicate composites of the same ground, and hidden duplicates of a
 * composite.
 * The whole split needs both of the same grounds; with less, what can be told is told.
 *
 * @phpstan-type Split array{method_id: int, method: string, pairs_of_composites: int, hidden_pairs: int,
 *     split: array<string, mixed>|null, sd_analysis: float|null, sd_measurement: float|null, expanded: float|null,
 *     used: float|null, words: list<string>}
 */
final class SamplingSplit
{
    private const LEAST = 4;

    /** @return Split */
    public function of(TestMethod $lab): array
    {
        $results = $this->results($lab);
        $hidden = array_values(array_filter($results, static fn (array $values): bool => count($values) >= 2));
        $twins = $this->twins();
        [$targets, $means] = [[], []];
        foreach ($twins as [$one, $other]) {
            [$a, $b] = [$results[$one] ?? [], $results[$other] ?? []];
            if (count($a) >= 2 && count($b) >= 2) {
                $targets[] = [[$a[0], $a[1]], [$b[0], $b[1]]];
            }
            if ($a !== [] && $b !== []) {
                $means[] = [$a[0], $b[0]];
            }
        }
        $split = count($targets) >= 2 ? VarianceSplit::of(NestedDesign::of($targets)) : null;
        $sd = self::sd(...);
        // Two targets make a split; what decides rests on no fewer than the rest does.
        $enough = $split !== null && count($targets) >= self::LEAST;
        $analysis = ! $enough
            ? $sd(array_map(static fn (array $values): array => [$values[0], $values[1]], $hidden))
            : $split->robust['sd_analysis'];
        $measurement = ! $enough ? $sd($means) : $split->robust['sd_measurement'];

        return [
            'method_id' => $lab->id,
            'method' => $lab->name,
            'pairs_of_composites' => count($means),
            'hidden_pairs' => count($hidden),
            'split' => $split?->toArray(),
            'sd_analysis' => $analysis,
            'sd_measurement' => $measurement,
            'expanded' => $measurement === null ? null : 2 * $measurement,
            'used' => $measurement === null ? $lab->uncertainty : max(2 * $measurement, $lab->uncertainty ?? 0.0),
            'words' => self::words(count($means), count($hidden), $analysis, $measurement),
        ];
    }

    /** @param list<non-empty-list<float>> $pairs */
    private static function sd(array $pairs): ?float
    {
        return $pairs === [] || count($pairs) < self::LEAST ? null : sqrt(HuberSpread::of($pairs)->variance);
    }

    /**
     * The expanded uncertainty that results of a lab are held against limits with: with the sampling in it where
     * duplicates tell,
     * else what is stated for the lab.
     */
    public function expanded(TestMethod $lab): ?float
    {
        return $this->of($lab)['used'];
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
        $twins = [];
        // Layouts are large: only those of plans that asked for duplicates are looked at.
        foreach (
            Plan::query()
                ->where('spec->quality->duplicates', '>', 0)
                ->get(['id', 'layout']) as $plan
        ) {
            $of = $plan->layout->doubles();
            $by = [];
            foreach (
                Sample::query()
                    ->where('plan_id', $plan->id)
                    ->orderBy('id')
                    ->get(['id', 'composite', 'depth']) as $sample
            ) {
                $by["{$sample->depth}/{$sample->composite}"] ??= $sample->id;
            }
            foreach ($by as $place => $sample) {
                [$depth, $composite] = explode('/', $place);
                $first = isset($of[(int) $composite]) ? $by["{$depth}/{$of[(int) $composite]}"] ?? null : null;
                if ($first !== null) {
                    $twins[] = [$first, $sample];
                }
            }
        }

        return $twins;
    }

    /** @return list<string> */
    private static function words(int $composites, int $hidden, ?float $analysis, ?float $measurement): array
    {
        $words = [];
        $words[] = match (true) {
            $measurement !== null && $analysis !== null && $measurement > 2 * $analysis => 'Most of the spread is '.
                'sampling: more cores are worth more than a better test.',
            $measurement !== null && $analysis !== null => 'The analysis is a large part of the spread: a better '.
                'test, or two analyses, are worth money.',
            $measurement !== null => 'Sampling and analysis together are known; hidden duplicates would tell them '.
                'apart.',
            $analysis !== null => 'Only the analysis is known; what is stated of it leaves the sampling out, which '.
                'is usually the larger part.',
            default => 'Sampling has not been measured here: what is stated of the lab alone is used, and it is too '.
                'small.',
        };
        if ($composites < self::LEAST) {
            $words[] =
                'Duplicate composites so far: '.
                $composites.
                '; '.
                (self::LEAST - $composites).
                ' more would do. Plan them with the next round.';
        }
        if ($hidden < self::LEAST) {
            $words[] =
                'Hidden duplicates so far: '.
                $hidden.
                '; '.
                (self::LEAST - $hidden).
                ' more would tell the lab\'s own part.';
        }

        return $words;
    }
}
