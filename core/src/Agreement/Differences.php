<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\NoncentralT;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * Differences test minus reference and their limits of agreement.
 *
 * Quantity and unit: the unit of the readings, or natural logs on the ratio scale.
 * Domain: any number of pairs; figures that need more pairs than there are, are null.
 * Variant: SD with divisor n - 1; the factor of the limits is 1.96 whatever the confidence; the
 *   intervals of the limits are exact.
 * Accuracy: intervals 1e-10 from SciPy's noncentral t for 2 to 100,000 pairs.
 * Source: Bland & Altman 1986, Lancet 327:307-310, and 1999, Stat Methods Med Res 8:135-160; intervals
 *   Carkeet 2015, Optom Vis Sci 92:e71-e80.
 */
final readonly class Differences
{
    public const FACTOR = 1.96;

    /**
     * @param array{float, float}|null $meanInterval
     * @param array{float, float}|null $lowerInterval
     * @param array{float, float}|null $upperInterval
     * @param list<float> $differences
     * @param float|null $sdWithoutReference less the reference's own standard uncertainty, where that is known
     */
    private function __construct(
        public ?float $mean,
        public ?float $sd,
        public ?array $meanInterval,
        public ?float $lower,
        public ?float $upper,
        public ?array $lowerInterval,
        public ?array $upperInterval,
        public Trend $trend,
        public array $differences = [],
        public ?LimitsAtEnds $atEnds = null,
        public ?float $sdWithoutReference = null,
    ) {}

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    public static function between(
        array $reference,
        array $test,
        float $confidence,
        ?Clusters $clusters = null,
        ?float $uReference = null,
    ): self {
        $n = count($reference);
        [$differences, $middles] = [[], []];
        foreach ($reference as $i => $x) {
            $differences[] = $test[$i] - $x;
            $middles[] = ($test[$i] + $x) / 2;
        }
        $trend = Trend::of($middles, $differences);
        if ($differences === []) {
            return new self(null, null, null, null, null, null, null, $trend);
        }
        $mean = Spread::mean($differences);
        $sd = Spread::standardDeviation($differences);
        if ($sd === null) {
            return new self($mean, null, null, null, null, null, null, $trend, $differences);
        }
        $root = sqrt($n);
        $alpha = 1 - $confidence;
        $reach = (StudentT::quantile(1 - $alpha / 2, $n - 1) * $sd) / $root;
        $inner = ($sd * NoncentralT::quantile($alpha / 2, $n - 1, self::FACTOR * $root)) / $root;
        $outer = ($sd * NoncentralT::quantile(1 - $alpha / 2, $n - 1, self::FACTOR * $root)) / $root;

        return new self(
            $mean,
            $sd,
            [$mean - $reach, $mean + $reach],
            $mean - self::FACTOR * $sd,
            $mean + self::FACTOR * $sd,
            [$mean - $outer, $mean - $inner],
            [$mean + $inner, $mean + $outer],
            $trend,
            $differences,
            LimitsAtEnds::of(
                $middles,
                $differences,
                $confidence,
                ($clusters ?? Clusters::none())->effect($differences),
            ),
            $uReference === null ? null : sqrt(max(0.0, $sd ** 2 - $uReference ** 2)),
        );
    }

    /**
     * Differences of figures that stand for bands, for looking at alone; null where none can be made.
     *
     * @param list<array{float, float|null}> $pairs reference, and the middle of the band; none for an open one
     */
    public static function ofMiddles(array $pairs, Policy $policy, ?float $uReference = null): ?self
    {
        [$x, $y] = [[], []];
        foreach ($pairs as [$reference, $test]) {
            if ($test !== null && ($policy->scale === Scale::Absolute || ($test > 0 && $reference > 0))) {
                $x[] = $policy->scale->of($reference);
                $y[] = $policy->scale->of($test);
            }
        }

        return $x === [] ? null : self::between($x, $y, $policy->confidence, uReference: $uReference);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'mean' => $this->mean,
            'sd' => $this->sd,
            'mean_ci' => $this->meanInterval,
            'lower_limit' => $this->lower,
            'upper_limit' => $this->upper,
            'lower_limit_ci' => $this->lowerInterval,
            'upper_limit_ci' => $this->upperInterval,
            'trend' => ['slope' => $this->trend->slope, 'p' => $this->trend->p],
            'at_ends' => $this->atEnds?->ends,
            'sd_without_reference' => $this->sdWithoutReference,
        ];
    }
}
