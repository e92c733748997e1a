<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Error\ValueOutOfRange;

/**
 * Mixes of tests compared on the evidence there is: which is cheapest when mistakes are counted too?
 *
 * Quantity and unit: money an area and year.
 * Domain: 5 composites or more that lab and test have both read.
 * Variant: the areas to come are like those of the evidence; their true values are what lab and test together say of them
 *   (`TrueValue`). `lab` sorts by another result of the lab; `test` by the test; `both` by the test, and by the lab where
 *   the test is too close to call or cannot sort; `change` by the lab every third year and in between by its last result
 *   with what the test sees of the change, where the ground drifts from year to year.
 * Source: expected cost under stated losses, any decision-analysis handbook; intervals: `Resampled`.
 */
final class Strategies
{
    private const LEAST = 5;

    private const YEARS = 3;

    /**
     * @param list<Witness> $witnesses
     * @param float|null $testSd repeatability of the test's numbers; null for bands, which see no change
     * @param float $driftSd change of the ground in a year
     * @return array{outcomes: list<StrategyOutcome>, cheapest: string, sure: float, turns: list<array{factor: float,
     *     cheapest: string}>}
     *
     * @throws ValueOutOfRange
     */
    public static function compare(
        array $witnesses,
        Costs $costs,
        LabError $lab,
        ?float $testSd,
        float $driftSd,
        int $seed,
    ): array {
        if (count($witnesses) < self::LEAST) {
            throw new ValueOutOfRange('strategies_composites', [
                'value' => count($witnesses),
                'least' => self::LEAST,
            ]);
        }
        $losses = self::losses($witnesses, $lab, $testSd, $driftSd);
        $means = array_map(static fn (Losses $one): float => $one->cost($one->mean(), $costs), $losses);
        asort($means);
        $best = $losses[(string) array_key_first($means)];
        $each = array_map(static fn (Losses $one): array => $one->costs($costs), $losses);
        $again = Resampled::of(count($witnesses), $seed);
        $outcomes = [];
        foreach (array_keys($means) as $name) {
            $outcomes[] = self::outcome($losses[$name], $best, $costs, $again);
        }

        return [
            'outcomes' => $outcomes,
            'cheapest' => $best->strategy,
            'sure' => $again->least($each)[$best->strategy],
            'turns' => self::turns($losses, $costs),
        ];
    }

    private static function outcome(Losses $one, Losses $best, Costs $costs, Resampled $again): StrategyOutcome
    {
        $mean = $one->mean();
        $more = array_map(static fn (float $own, float $least): float => $own - $least, $one->costs($costs), $best->costs($costs));
        [[$low, $high], [$bestLow, $bestHigh]] = [$one->unseen($costs), $best->unseen($costs)];
        $same = array_filter($more, static fn (float $by): bool => abs($by) > 1e-12) === [];
        $dearer = $same ? [0.0, 0.0] : $again->interval($more, [$low - $bestHigh, $high - $bestLow]);

        return new StrategyOutcome(
            $one->strategy,
            $one->testing($mean[2], $costs),
            $mean[0],
            $mean[1],
            $one->cost($mean, $costs),
            $again->interval($one->costs($costs), [$low, $high]),
            $one->strategy === 'lab' ? 1.0 : $mean[2],
            $dearer,
            $dearer[0] > 0,
        );
    }

    /**
     * How often each composite would be done too little, too much, and sent to the lab, under each strategy.
     *
     * @param non-empty-list<Witness> $witnesses
     * @return non-empty-array<string, Losses>
     */
    private static function losses(array $witnesses, LabError $lab, ?float $testSd, float $driftSd): array
    {
        $truths = TrueValue::ofAll($witnesses, $lab);
        $each = ['test' => [], 'both' => [], 'lab' => [], 'change' => []];
        foreach ($witnesses as $i => $witness) {
            [$truth, $limits] = [$truths[$i], $witness->limits];
            $byLab = $truth->missesOfSight($lab->whole(), $limits);
            // What cannot sort leads to nothing being done, which is the lowest need: the highest class.
            $byTest = $truth->missesOfClass($witness->testClass ?? $limits->classes() - 1, $limits);
            $toLab = $witness->testIsClose || $witness->testClass === null;
            $each['lab'][] = [...$byLab, 1.0];
            $each['test'][] = [...$byTest, 0.0];
            $each['both'][] = $toLab ? [...$byLab, 1.0] : [...$byTest, 0.0];
            $each['change'][] = self::watched($truth, $witness, $lab, (float) $testSd, $driftSd);
        }
        if ($testSd === null) {
            unset($each['change']);
        }
        $losses = [];
        foreach ($each as $name => $rows) {
            $losses[$name] = new Losses($name, $rows);
        }

        return $losses;
    }

    /**
     * The lab in the first of the years, and in those after it its result with what the test sees of the change.
     *
     * @return array{float, float, float}
     */
    private static function watched(TrueValue $truth, Witness $witness, LabError $lab, float $testSd, float $driftSd): array
    {
        [$under, $over] = [0.0, 0.0];
        for ($year = 0; $year < self::YEARS; $year++) {
            $seen = $year === 0 ? $lab->whole() : hypot($lab->whole(), M_SQRT2 * $testSd);
            [$less, $more] = $truth->drifted(sqrt($year) * $driftSd)->missesOfSight($seen, $witness->limits);
            [$under, $over] = [$under + $less / self::YEARS, $over + $more / self::YEARS];
        }

        return [$under, $over, 1 / self::YEARS];
    }

    /**
     * Which strategy is cheapest as mistakes weigh less or more than stated.
     *
     * @param non-empty-array<string, Losses> $losses
     * @return list<array{factor: float, cheapest: string}>
     */
    private static function turns(array $losses, Costs $costs): array
    {
        $turns = [];
        for ($k = -20; $k <= 20; $k++) {
            $factor = 10 ** ($k / 10);
            $at = array_map(static fn (Losses $one): float => $one->cost($one->mean(), $costs, $factor), $losses);
            asort($at);
            $best = (string) array_key_first($at);
            if ($turns === [] || $turns[count($turns) - 1]['cheapest'] !== $best) {
                $turns[] = ['factor' => $factor, 'cheapest' => $best];
            }
        }

        return $turns;
    }
}
