<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What bias and spread, as they were measured, say of soils to come: how many a test would send to the right action, and
 * how many differences would be small enough to size a rate by. A model, not a proof: it takes errors to be normal and
 * soils to come to be like those of the pairs. It helps to plan, and decides nothing.
 *
 * Quantity and unit: shares, 0 to 1; bias and spread in the analyte's unit, of natural logs on the ratio scale.
 * Rule: numbers: bias and spread within each action class of the reference, of all pairs where a class has fewer than 4;
 *   bands: one bias and spread by their likelihood. The chance of each soil is that its reading sorts to its own class.
 *   Intervals: 200 times soils are weighted anew (flat Dirichlet), and bias and spread drawn from what so many pairs leave
 *   open: the spread by chi-square, the bias by the normal; for bands by their own intervals.
 * Domain: 5 pairs or more; null below.
 * Source: normal error model; Rubin 1981, the Bayesian bootstrap; posterior of a normal sample, any textbook.
 */
final readonly class FutureSoils
{
    private const FEWEST = 5;

    private const FEWEST_IN_CLASS = 4;

    private const TIMES = 200;

    /** More soils than these tell no more; every so many of them stand for all. */
    private const SOILS = 400;

    /**
     * @param array{float, float} $rightInterval
     * @param array{float, float}|null $withinInterval
     * @param list<array{class: int, n: int, bias: float, sd: float, right: float, interval: array{float, float}}> $classes
     */
    private function __construct(
        public float $right,
        public array $rightInterval,
        public ?float $within,
        public ?array $withinInterval,
        public array $classes,
        public ?CensoredError $bands,
    ) {}

    /**
     * Of a test that gives numbers.
     *
     * @param list<array{float, float, ActionLimits}> $pairs reference, test and limits of the ground
     */
    public static function ofNumbers(array $pairs, Policy $policy): ?self
    {
        $soils = [];
        foreach ($pairs as [$reference, $test, $limits]) {
            [$x, $class] = [$policy->scale->of($reference), $limits->classOf($reference)];
            $ends = array_map($policy->scale->of(...), $limits->values);
            $own = [$ends[$class - 1] ?? -INF, $ends[$class] ?? INF];
            $soils[] = new FutureSoil($x, $class, [$own], $policy->scale->of($test) - $x);
        }
        $errors = self::errors($soils, $policy->limits->classes());
        $soils = self::thinned($soils);

        return count($pairs) < self::FEWEST || $soils === [] ? null : self::made(
            $soils,
            static fn (?Randomizer $random): array => array_map(
                static fn (array $one): array => $random === null ? [$one[0], $one[1]] : self::drawn($one, $random),
                $errors,
            ),
            $policy->tolerance(),
            null,
        );
    }

    /**
     * Of a test that gives bands; on the absolute scale.
     *
     * @param list<array{float, Band, ActionLimits}> $pairs reference, band and limits of the ground
     */
    public static function ofBands(array $pairs, Policy $policy, Bands $scale): ?self
    {
        $found = count($pairs) < self::FEWEST ? null : CensoredError::of(array_map(
            static fn (array $one): array => [$one[0], $one[1]->lower, $one[1]->upper],
            $pairs,
        ));
        $soils = [];
        foreach ($pairs as [$reference, , $limits]) {
            [$class, $own] = [$limits->classOf($reference), []];
            foreach ($scale->bands as $band) {
                if ($band->classIn($limits) === $class) {
                    $own[] = [$band->lower, $band->upper];
                }
            }
            $soils[] = new FutureSoil($reference, $class, $own, 0.0);
        }
        $soils = self::thinned($soils);
        if ($found === null || $soils === []) {
            return null;
        }
        [$ofBias, $ofSd] = $found->intervals();
        $wide = 2 * Normal::quantile(0.975);
        [$seBias, $seLog] = [($ofBias[1] - $ofBias[0]) / $wide, log($ofSd[1] / $ofSd[0]) / $wide];
        $classes = $policy->limits->classes();
        $error = static function (?Randomizer $random) use ($found, $classes, $seBias, $seLog): array {
            [$off, $times] = $random === null
                ? [0.0, 1.0]
                : [$seBias * self::normal($random), exp($seLog * self::normal($random))];

            return array_fill(0, $classes, [$found->bias + $off, $found->sd * $times]);
        };

        return self::made($soils, $error, null, $found);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $bands = $this->bands?->intervals();

        return [
            'right' => $this->right,
            'right_interval' => $this->rightInterval,
            'within' => $this->within,
            'within_interval' => $this->withinInterval,
            'classes' => $this->classes,
            'bands' => $this->bands === null || $bands === null ? null : [
                'bias' => $this->bands->bias,
                'bias_interval' => $bands[0],
                'sd' => $this->bands->sd,
                'sd_interval' => $bands[1],
                'below_the_bands' => $this->bands->belowTheBands,
            ],
        ];
    }

    /**
     * @param non-empty-list<FutureSoil> $soils
     * @param callable(Randomizer|null): array<int, array{float, float}> $error bias and spread by class, as measured, or as
     *                                                                          they may be as well
     */
    private static function made(array $soils, callable $error, ?float $allowed, ?CensoredError $bands): self
    {
        $errors = $error(null);
        $random = new Randomizer(new Mt19937(count($soils)));
        [$right, $within, $byClass] = [[], [], []];
        for ($time = 0; $time < self::TIMES; $time++) {
            $weights = self::weights($random, count($soils));
            $drawn = $error($random);
            [$sum, $small, $classes] = [0.0, 0.0, []];
            foreach ($soils as $i => $soil) {
                $chance = $soil->right($drawn[$soil->class]);
                $sum += $weights[$i] * $chance;
                $small += $weights[$i] * ($allowed === null ? 0.0 : FutureSoil::between($drawn[$soil->class], -$allowed, $allowed));
                $classes[$soil->class][0] = ($classes[$soil->class][0] ?? 0.0) + $weights[$i];
                $classes[$soil->class][1] = ($classes[$soil->class][1] ?? 0.0) + $weights[$i] * $chance;
            }
            [$right[], $within[]] = [$sum, $small];
            foreach ($classes as $class => [$weight, $own]) {
                $byClass[$class][] = $own / $weight;
            }
        }
        ksort($byClass);
        $all = self::means($soils, $errors, $allowed);

        return new self(
            $all[0],
            self::middle95($right),
            $allowed === null ? null : $all[1],
            $allowed === null ? null : self::middle95($within),
            array_map(
                static function (int $class, array $drawn) use ($soils, $errors): array {
                    $own = array_values(array_filter($soils, static fn (FutureSoil $soil): bool => $soil->class === $class));
                    $stand = array_sum(array_map(static fn (FutureSoil $soil): float => $soil->standsFor, $own));

                    return [
                        'class' => $class,
                        'n' => (int) round($stand),
                        'bias' => $errors[$class][0],
                        'sd' => $errors[$class][1],
                        'right' => self::means($own, $errors, null)[0],
                        'interval' => self::middle95($drawn),
                    ];
                },
                array_keys($byClass),
                array_values($byClass),
            ),
            $bands,
        );
    }

    /**
     * @param list<FutureSoil> $soils
     * @param array<int, array{float, float}> $errors
     * @return array{float, float} shares sent right, and within what sizes a rate
     */
    private static function means(array $soils, array $errors, ?float $allowed): array
    {
        [$right, $within] = [0.0, 0.0];
        foreach ($soils as $soil) {
            $right += $soil->right($errors[$soil->class]);
            $within += $allowed === null ? 0.0 : FutureSoil::between($errors[$soil->class], -$allowed, $allowed);
        }
        $n = max(1, count($soils));

        return [$right / $n, $within / $n];
    }

    /**
     * Bias, spread and how many of each class; of all where a class has too few.
     *
     * @param list<FutureSoil> $soils
     * @return array<int, array{float, float, int}>
     */
    private static function errors(array $soils, int $classes): array
    {
        $of = static function (?int $class) use ($soils): array {
            $own = [];
            foreach ($soils as $soil) {
                if ($class === null || $soil->class === $class) {
                    $own[] = $soil->difference;
                }
            }

            return $own === [] ? [0.0, 0.0, 0] : [Spread::mean($own), Spread::standardDeviation($own) ?? 0.0, count($own)];
        };
        [$all, $errors] = [$of(null), []];
        for ($class = 0; $class < $classes; $class++) {
            $own = $of($class);
            $errors[$class] = $own[2] >= self::FEWEST_IN_CLASS ? $own : $all;
        }

        return $errors;
    }

    /**
     * Bias and spread as they may be as well, for all that so many pairs tell.
     *
     * @param array{float, float, int} $error bias, spread, pairs
     * @return array{float, float}
     */
    private static function drawn(array $error, Randomizer $random): array
    {
        [$bias, $sd, $n] = $error;
        $square = ($n - 1) % 2 === 1 ? self::normal($random) ** 2 : 0.0;
        for ($i = 0; $i < intdiv($n - 1, 2); $i++) {
            $square -= 2 * log(self::share($random));
        }
        $sd *= $square > 0 ? sqrt(($n - 1) / $square) : 1.0;

        return [$bias + ($sd * self::normal($random)) / sqrt(max(1, $n)), $sd];
    }

    private static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log(self::share($random))) * cos(2 * M_PI * self::share($random));
    }

    /**
     * @param list<FutureSoil> $soils
     * @return list<FutureSoil>
     */
    private static function thinned(array $soils): array
    {
        usort($soils, static fn (FutureSoil $a, FutureSoil $b): int => $a->x <=> $b->x);
        $each = max(1.0, count($soils) / self::SOILS);
        $kept = [];
        for ($i = 0; $i < min(count($soils), self::SOILS); $i++) {
            $kept[] = $soils[(int) floor(($i + 0.5) * $each)]->standingFor($each);
        }

        return $kept;
    }

    /** @return list<float> that sum to 1 */
    private static function weights(Randomizer $random, int $n): array
    {
        $weights = [];
        for ($i = 0; $i < $n; $i++) {
            $weights[] = -log(self::share($random));
        }
        $sum = array_sum($weights);

        return array_map(static fn (float $one): float => $one / $sum, $weights);
    }

    private static function share(Randomizer $random): float
    {
        return ($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    /**
     * @param non-empty-list<float> $values
     * @return array{float, float}
     */
    private static function middle95(array $values): array
    {
        sort($values);
        $last = count($values) - 1;

        return [$values[(int) round(0.025 * $last)], $values[(int) round(0.975 * $last)]];
    }
}
