<?php

declare(strict_types=1);

namespace HonestCore\Variance;

use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\Spread;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * Where the spread of results comes from: the ground, the sampling or the analysis.
 *
 * Quantity and unit: standard deviations in the unit of the analyte; shares of the total variance, 0 to 1, and the
 * expanded
 *   uncertainty as a fraction of the mean, both from the robust figures.
 * Domain: a balanced design; a variance that would be negative is 0, and `reasons` says so.
 * Variant: nested analysis of variance, classical and robust; expanded uncertainty with coverage factor 2.
 * Accuracy: the published example A1 to the digits it is printed with.
 * Source: Eurachem/CITAC/EUROLAB guide "Measurement uncertainty arising from sampling"; robust as in HuberSpread.
 *
 * @phpstan-type Parts array{mean: float, sd_between: float, sd_sampling: float, sd_analysis: float,
 *     sd_measurement: float}
 */
final readonly class VarianceSplit implements Stored
{
    /**
     * @param Parts $classical
     * @param Parts $robust
     * @param array{float, float}|null $measurementInterval of the classical sd_measurement, two-sided 95 %
     * @param array{between: float|null, sampling: float|null, analysis: float|null} $share
     * @param list<string> $reasons
     */
    private function __construct(
        public int $targets,
        public array $classical,
        public array $robust,
        public ?array $measurementInterval,
        public array $share,
        public ?float $expandedRelative,
        public array $reasons,
    ) {}

    public static function of(NestedDesign $design): self
    {
        $reasons = [];
        [$classical, $one] = self::classical($design);
        [$robust, $two] = self::robust($design);
        foreach (['classical' => $one, 'robust' => $two] as $way => $below) {
            foreach ($below as $part) {
                $reasons[] = "The {$way} variance of {$part} came out below 0 and is shown as 0: the design cannot ".
                    'tell it from the levels beneath it.';
            }
        }
        $total = $robust['sd_between'] ** 2 + $robust['sd_measurement'] ** 2;
        if ($total <= 0.0) {
            $reasons[] = 'All values are equal, so that there is no spread to share out.';
        }
        if ($robust['mean'] <= 0.0) {
            $reasons[] = 'The mean is not above 0, so that no relative uncertainty can be given.';
        }
        $part = static fn (string $name): ?float => $total <= 0.0 ? null : $robust["sd_{$name}"] ** 2 / $total;

        return new self(
            count($design->targets),
            $classical,
            $robust,
            self::measurementInterval($design),
            ['between' => $part('between'), 'sampling' => $part('sampling'), 'analysis' => $part('analysis')],
            $robust['mean'] > 0.0 ? (2 * $robust['sd_measurement']) / $robust['mean'] : null,
            $reasons,
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $parts = static function (string $way) use ($fields): array {
            $own = new Fields($fields->row($way));

            return [
                'mean' => $own->number('mean'),
                'sd_between' => $own->number('sd_between'),
                'sd_sampling' => $own->number('sd_sampling'),
                'sd_analysis' => $own->number('sd_analysis'),
                'sd_measurement' => $own->number('sd_measurement'),
            ];
        };
        $share = new Fields($fields->row('share'));

        return new self(
            $fields->whole('targets'),
            $parts('classical'),
            $parts('robust'),
            $fields->pairOrNull('interval'),
            [
                'between' => $share->numberOrNull('between'),
                'sampling' => $share->numberOrNull('sampling'),
                'analysis' => $share->numberOrNull('analysis'),
            ],
            $fields->numberOrNull('expanded_relative'),
            $fields->texts('reasons'),
        );
    }

    public function toRow(): array
    {
        return [
            'targets' => $this->targets,
            'classical' => $this->classical,
            'robust' => $this->robust,
            'interval' => $this->measurementInterval,
            'share' => $this->share,
            'expanded_relative' => $this->expandedRelative,
            'reasons' => $this->reasons,
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'targets' => $this->targets,
            'classical' => [...$this->classical, 'sd_measurement_ci' => $this->measurementInterval],
            'robust' => $this->robust,
            'share' => $this->share,
            'expanded_relative_uncertainty' => $this->expandedRelative,
            'reasons' => $this->reasons,
        ];
    }

    /** @return array{Parts, list<string>} with what came out below 0 */
    private static function classical(NestedDesign $design): array
    {
        [$analyses, $samples, $targets] = [[], [], []];
        foreach ($design->targets as [$a, $b]) {
            array_push($analyses, $a, $b);
            $samples[] = [Spread::mean($a), Spread::mean($b)];
            $targets[] = (Spread::mean($a) + Spread::mean($b)) / 2;
        }

        return self::parts(
            Spread::mean($targets),
            self::pooled($analyses),
            self::pooled($samples),
            (float) Spread::standardDeviation($targets) ** 2,
        );
    }

    /**
     * Interval of the classical sd of measurement, sampling and analysis together: (MSs + MSa)/2 by chi-square with
     * Satterthwaite's degrees of freedom; where sampling came out below nothing, that of the analysis alone.
     *
     * @return array{float, float}|null
     */
    private static function measurementInterval(NestedDesign $design): ?array
    {
        $k = count($design->targets);
        [$ofSamples, $ofAnalyses] = [0.0, 0.0];
        foreach ($design->targets as [$a, $b]) {
            $ofSamples += (Spread::sumOfSquares([Spread::mean($a), Spread::mean($b)]) * 2) / $k;
            $ofAnalyses += (Spread::sumOfSquares($a) + Spread::sumOfSquares($b)) / (2 * $k);
        }
        if ($ofSamples <= 0.0 && $ofAnalyses <= 0.0) {
            return null;
        }
        [$variance, $degrees] =
            $ofSamples < $ofAnalyses
                ? [$ofAnalyses, 2.0 * $k]
                : [
                    ($ofSamples + $ofAnalyses) / 2,
                    ($ofSamples + $ofAnalyses) ** 2 / ($ofSamples ** 2 / $k + $ofAnalyses ** 2 / (2 * $k)),
                ];

        return [
            sqrt(($variance * $degrees) / ChiSquare::quantile(0.975, $degrees)),
            sqrt(($variance * $degrees) / ChiSquare::quantile(0.025, $degrees)),
        ];
    }

    /** @return array{Parts, list<string>} */
    private static function robust(NestedDesign $design): array
    {
        $analyses = [];
        foreach ($design->targets as [$a, $b]) {
            array_push($analyses, $a, $b);
        }
        $first = HuberSpread::of($analyses);
        $samples = array_chunk($first->means, 2);
        $second = HuberSpread::of($samples);
        $third = HuberSpread::of([$second->means]);

        return self::parts($third->means[0], $first->variance, $second->variance, $third->variance);
    }

    /**
     * @param float $ofAnalyses variance within samples
     * @param float $ofSamples of sample means within targets, which holds half the former
     * @param float $ofTargets of target means, which holds half the latter
     * @return array{Parts, list<string>}
     */
    private static function parts(float $mean, float $ofAnalyses, float $ofSamples, float $ofTargets): array
    {
        [$sampling, $between] = [$ofSamples - $ofAnalyses / 2, $ofTargets - $ofSamples / 2];
        $below = [...$sampling < 0 ? ['sampling'] : [], ...$between < 0 ? ['the ground between targets'] : []];
        [$sampling, $between] = [max(0.0, $sampling), max(0.0, $between)];

        return [
            [
                'mean' => $mean,
                'sd_between' => sqrt($between),
                'sd_sampling' => sqrt($sampling),
                'sd_analysis' => sqrt($ofAnalyses),
                'sd_measurement' => sqrt($sampling + $ofAnalyses),
            ],
            $below,
        ];
    }

    /** @param non-empty-list<array{float, float}> $pairs */
    private static function pooled(array $pairs): float
    {
        return array_sum(
            array_map(static fn (array $pair): float => ($pair[0] - $pair[1]) ** 2 / 2, $pairs),
        ) / count($pairs);
    }
}
