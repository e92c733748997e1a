<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;

/**
 * Passing and Bablok's regression of test on reference: the shifted median of all pairwise slopes.
 *
 * Quantity and unit: slope in test per reference unit, intercept in the test's unit.
 * Domain: 2 pairs or more; null where a rank falls outside the slopes or on an infinite one.
 * Variant: the 1983 method. Slopes of -1 (within 1e-9) are left out, the median is shifted by the number K
 *   of slopes below -1; equal references with different tests give an infinite slope, equal in both none.
 * Source: Passing & Bablok 1983, J Clin Chem Clin Biochem 21:709-720.
 */
final readonly class PassingBablok
{
    private const AT_MINUS_ONE = 1e-9;

    /**
     * @param array{float, float}|null $slopeInterval
     * @param array{float, float}|null $interceptInterval
     */
    private function __construct(
        public ?float $slope,
        public ?array $slopeInterval,
        public ?float $intercept,
        public ?array $interceptInterval,
    ) {}

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    public static function fit(array $reference, array $test, float $confidence): self
    {
        $n = count($reference);
        $slopes = new PairwiseSlopes($reference, $test);
        $shift = $slopes->below(-1 - self::AT_MINUS_ONE);
        $left = $slopes->about(-1, self::AT_MINUS_ONE);
        $count = $slopes->finite() + $slopes->infinite() - $left;
        $ranked = static function (int $rank) use ($slopes, $shift, $left, $count): ?float {
            $rank += $shift;
            if ($rank < 1 || $rank > $count) {
                return null;
            }
            $slope = $slopes->ranked($rank > $shift ? $rank + $left : $rank);

            return is_finite($slope) ? $slope : null;
        };
        $slope = self::average($ranked(intdiv($count + 1, 2)), $ranked(intdiv($count, 2) + 1));
        if ($slope === null) {
            return new self(null, null, null, null);
        }
        $reach = Normal::quantile((1 + $confidence) / 2) * sqrt(($n * ($n - 1) * (2 * $n + 5)) / 18);
        $first = (int) round(($count - $reach) / 2);
        $interval = $first < 1 ? null : self::interval($ranked($first), $ranked($count - $first + 1));

        return new self(
            $slope,
            $interval,
            self::intercept($reference, $test, $slope),
            $interval === null
                ? null
                : [self::intercept($reference, $test, $interval[1]), self::intercept($reference, $test, $interval[0])],
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'slope' => $this->slope,
            'slope_ci' => $this->slopeInterval,
            'intercept' => $this->intercept,
            'intercept_ci' => $this->interceptInterval,
        ];
    }

    private static function average(?float $a, ?float $b): ?float
    {
        return $a === null || $b === null ? null : ($a + $b) / 2;
    }

    /** @return array{float, float}|null */
    private static function interval(?float $low, ?float $high): ?array
    {
        return $low === null || $high === null ? null : [$low, $high];
    }

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    private static function intercept(array $reference, array $test, float $slope): float
    {
        $rests = [];
        foreach ($reference as $i => $x) {
            $rests[] = $test[$i] - $slope * $x;
        }

        return $rests === [] ? NAN : Spread::median($rests);
    }
}
