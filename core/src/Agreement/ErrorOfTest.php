<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * What the pairs say of the error of one more result of a test: how far it leans from the reference, and how far the two lie
 * apart in all, evenings, lots and the steps of its scale included. Its own repeats would say too little.
 *
 * Quantity and unit: that of the readings, or natural logs on the ratio scale; of bands by their likelihood, see CensoredError.
 * Rule: the reference would have found the result less the bias, within t(0.975, df) · sd · √(1 + 1/n): a prediction
 *   interval. df is that of the sittings where pairs share them, less 1: a new evening is predicted from evenings.
 * Domain: 3 pairs or more, of 3 sittings or more where they are named.
 * Source: prediction interval of a normal sample, any textbook; which df: the product's own, tried by simulation.
 */
final readonly class ErrorOfTest
{
    private const CONFIDENCE = 0.975;

    private const FEWEST = 3;

    private function __construct(
        public float $bias,
        public float $sd,
        public int $n,
        public float $reach,
        private float $stretch,
        private ?CensoredError $ofBands = null,
    ) {}

    /**
     * @param list<array{float, float|null}> $pairs reference, and the figure of the test; none for an open band
     * @param list<string>|null $sittings of each pair
     */
    public static function of(array $pairs, ?array $sittings = null): ?self
    {
        [$differences, $own] = [[], []];
        foreach ($pairs as $i => [$reference, $test]) {
            if ($test !== null) {
                $differences[] = $test - $reference;
                $own[] = $sittings[$i] ?? (string) $i;
            }
        }
        [$n, $k] = [count($differences), count(array_unique($own))];
        if ($differences === [] || $k < self::FEWEST) {
            return null;
        }
        $sd = Spread::standardDeviation($differences) ?? 0.0;
        $stretch = self::stretch($n, $k);

        return new self(Spread::mean($differences), $sd, $n, $stretch * $sd, $stretch);
    }

    /**
     * The same of a test that gives bands, by the likelihood of its bands.
     *
     * @param list<array{float, float, float}> $pairs reference, lower and upper end of the band
     * @param list<string>|null $sittings of each pair
     */
    public static function ofBands(array $pairs, ?array $sittings = null): ?self
    {
        [$n, $k] = [count($pairs), count(array_unique($sittings ?? array_keys($pairs)))];
        $found = $k < self::FEWEST ? null : CensoredError::of($pairs);
        if ($found === null) {
            return null;
        }
        // The likelihood divides by n; the stretch of a normal sample asks for n - 1.
        $stretch = self::stretch($n, $k) * sqrt($n / ($n - 1));

        return new self($found->bias, $found->sd, $n, $stretch * $found->sd, $stretch, $found);
    }

    private static function stretch(int $n, int $sittings): float
    {
        return StudentT::quantile(self::CONFIDENCE, $sittings - 1) * sqrt(1 + 1 / $n);
    }

    /** @return array{float, float} where the reference would have found what was read as a band; open bands have one end */
    public function byReferenceOfBand(Band $band): array
    {
        $middle = $band->middle();

        return match (true) {
            $this->ofBands !== null => $this->ofBands->byReference($band, $this->stretch / Normal::quantile(self::CONFIDENCE)),
            $middle !== null => $this->byReference($middle),
            default => [$band->lower - $this->bias - $this->reach, $band->upper - $this->bias + $this->reach],
        };
    }

    /** @return array{float, float} figures of the reference between which it would have found a number that was read on this scale */
    public function foundFor(float $figure, Scale $scale): array
    {
        return array_map($scale->back(...), $this->byReference($scale->of($figure)));
    }

    /** @return array{float, float} the same of a band */
    public function foundForBand(Band $band, Scale $scale): array
    {
        return array_map(
            $scale->back(...),
            $this->byReferenceOfBand(new Band($band->name, $scale->end($band->lower), $scale->end($band->upper))),
        );
    }

    public function callBand(Band $band, ActionLimits $limits): Call
    {
        [$from, $to] = $this->byReferenceOfBand($band);

        return Call::ofInterval($from, $to, $limits);
    }

    /** @return array{float, float} where the reference would have found it */
    public function byReference(float $result): array
    {
        return [$result - $this->bias - $this->reach, $result - $this->bias + $this->reach];
    }

    public function call(float $result, ActionLimits $limits): Call
    {
        [$from, $to] = $this->byReference($result);

        return Call::ofInterval($from, $to, $limits);
    }
}
