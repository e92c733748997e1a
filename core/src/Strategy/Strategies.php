<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Error\ValueOutOfRange;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Mixes of tests compared on the evidence there is: which is cheapest when mistakes are counted too?
 *
 * Quantity and unit: money an area and year.
 * Domain: 5 composites or more that lab and test have both read.
 * Variant: the areas to come are like those of the evidence. The ground's true value is the lab's with its standard
 * uncertainty.
 *   `lab` sorts by another reading of the lab; `test` by the test; `both` by the test, and by the lab where the test
 * is too close
 *   to call or cannot sort; `change` by the lab every third year and in between by its last result with what the test
 * sees of the
 *   change, where the ground drifts from year to year. Intervals by resampling composites (percentile bootstrap).
 * Source: expected cost under stated losses, any decision-analysis handbook; Efron 1979 for the bootstrap.
 */
final class Strategies
{
    private const LEAST = 5;

    private const DRAWS = 200;

    private const RESAMPLES = 400;

    private const YEARS = 3;

    /**
     * @param list<Witness> $witnesses
     * @param float $labSd standard uncertainty of the lab, in the analyte's unit
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
        float $labSd,
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
        $mistakes = self::mistakes($witnesses, $labSd, $testSd, $driftSd, $seed);
        $names = array_keys($mistakes);
        $random = new Randomizer(new Mt19937($seed + 1));
        $n = count($witnesses);
        [$resampled, $won] = [[], array_fill_keys($names, 0)];
        for ($i = 0; $i < self::RESAMPLES; $i++) {
            $chosen = [];
            for ($k = 0; $k < $n; $k++) {
                $chosen[] = $random->getInt(0, $n - 1);
            }
            $sums = [];
            foreach ($names as $name) {
                $sums[$name] = self::cost($name, self::mean($mistakes[$name], $chosen), $costs);
                $resampled[$name][] = $sums[$name];
            }
            asort($sums);
            $won[(string) array_key_first($sums)]++;
        }
        $outcomes = $means = [];
        foreach ($names as $name) {
            $means[$name] = self::mean($mistakes[$name], range(0, $n - 1));
            sort($resampled[$name]);
            $outcomes[] = new StrategyOutcome(
                $name,
                self::testing($name, $means[$name][2], $costs),
                $means[$name][0],
                $means[$name][1],
                self::cost($name, $means[$name], $costs),
                [
                    $resampled[$name][(int) (0.025 * self::RESAMPLES)],
                    $resampled[$name][(int) (0.975 * self::RESAMPLES) - 1],
                ],
                self::labShare($name, $means[$name][2]),
            );
        }
        usort($outcomes, static fn (StrategyOutcome $a, StrategyOutcome $b): int => $a->cost <=> $b->cost);

        return [
            'outcomes' => $outcomes,
            'cheapest' => $outcomes[0]->strategy,
            'sure' => $won[$outcomes[0]->strategy] / self::RESAMPLES,
            'turns' => self::turns($means, $costs),
        ];
    }

    /**
     * How often each composite would be done too little, too much, and sent to the lab, under each strategy.
     *
     * @param list<Witness> $witnesses
     * @return array<string, list<array{float, float, float}>>
     */
    private static function mistakes(array $witnesses, float $labSd, ?float $testSd, float $driftSd, int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $normal = static function () use ($random): float {
            $u = ($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;

            return sqrt(-2 * log($u)) * cos((2 * M_PI * $random->getInt(0, 2 ** 31 - 1)) / 2 ** 31);
        };
        $mistakes = [];
        foreach ($witnesses as $witness) {
            $sums = ['test' => [0, 0, 0], 'both' => [0, 0, 0], 'lab' => [0, 0, 0], 'change' => [0, 0, 0]];
            $toLab = $witness->testIsClose || $witness->testClass === null;
            for ($i = 0; $i < self::DRAWS; $i++) {
                $truth = $witness->reference + $labSd * $normal();
                $right = $witness->limits->classOf($truth);
                $lab = $witness->limits->classOf($truth + $labSd * $normal());
                self::add($sums['lab'], $lab, $right, true);
                // What cannot sort leads to nothing being done, which is the lowest need: the highest class.
                self::add($sums['test'], $witness->testClass ?? $witness->limits->classes() - 1, $right, false);
                self::add($sums['both'], $toLab ? $lab : (int) $witness->testClass, $right, $toLab);
                if ($testSd !== null) {
                    [$ground, $last] = [$truth, $truth + $labSd * $normal()];
                    for ($year = 0; $year < self::YEARS; $year++) {
                        $seen = $year === 0 ? $last : $last + ($ground - $truth) + M_SQRT2 * $testSd * $normal();
                        self::add(
                            $sums['change'],
                            $witness->limits->classOf($seen),
                            $witness->limits->classOf($ground),
                            $year === 0,
                        );
                        $ground += $driftSd * $normal();
                    }
                }
            }
            foreach ($sums as $name => [$under, $over, $sent]) {
                $of = self::DRAWS * ($name === 'change' ? self::YEARS : 1);
                $mistakes[$name][] = [$under / $of, $over / $of, $sent / $of];
            }
        }
        if ($testSd === null) {
            unset($mistakes['change']);
        }

        return $mistakes;
    }

    /** @param array{int, int, int} $sum */
    private static function add(array &$sum, int $done, int $right, bool $lab): void
    {
        // The lowest class needs most: sent to a higher class, too little is done.
        $sum[0] += $done > $right ? 1 : 0;
        $sum[1] += $done < $right ? 1 : 0;
        $sum[2] += $lab ? 1 : 0;
    }

    /**
     * @param list<array{float, float, float}> $rows
     * @param non-empty-list<int> $chosen
     * @return array{float, float, float}
     */
    private static function mean(array $rows, array $chosen): array
    {
        $sum = [0.0, 0.0, 0.0];
        foreach ($chosen as $i) {
            $row = $rows[$i] ?? [0.0, 0.0, 0.0];
            $sum = [$sum[0] + $row[0], $sum[1] + $row[1], $sum[2] + $row[2]];
        }

        return [$sum[0] / count($chosen), $sum[1] / count($chosen), $sum[2] / count($chosen)];
    }

    /** @param array{float, float, float} $mean */
    private static function cost(string $name, array $mean, Costs $costs, float $factor = 1.0): float
    {
        return self::testing($name, $mean[2], $costs) + $factor * ($mean[0] * $costs->under + $mean[1] * $costs->over);
    }

    private static function labShare(string $name, float $sent): float
    {
        return $name === 'lab' ? 1.0 : $sent;
    }

    private static function testing(string $name, float $sent, Costs $costs): float
    {
        return match ($name) {
            'lab' => $costs->lab(),
            'test' => $costs->test(),
            // The test for all, and the lab for those that are sent on: those too close to call, or a year in three,
            // when the test gives
            // what change is seen against.
            default => $costs->test() + $sent * $costs->lab(),
        };
    }

    /**
     * Which strategy is cheapest as mistakes weigh less or more than stated.
     *
     * @param array<string, array{float, float, float}> $means
     * @return list<array{factor: float, cheapest: string}>
     */
    private static function turns(array $means, Costs $costs): array
    {
        $turns = [];
        for ($k = -20; $k <= 20; $k++) {
            $factor = 10 ** ($k / 10);
            $best = null;
            foreach ($means as $name => $mean) {
                $cost = self::cost($name, $mean, $costs, $factor);
                $best = $best === null || $cost < $best[1] ? [$name, $cost] : $best;
            }
            if ($best !== null && ($turns === [] || $turns[count($turns) - 1]['cheapest'] !== $best[0])) {
                $turns[] = ['factor' => $factor, 'cheapest' => $best[0]];
            }
        }

        return $turns;
    }
}
