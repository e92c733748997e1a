<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;

/**
 * Deming regression of test on reference: the line when both axes carry error.
 *
 * Quantity and unit: slope in test per reference unit, intercept in the test's unit.
 * Domain: 2 pairs or more with spread; null where the line is upright or undefined.
 * Variant: `errorRatio` is the error variance of the test over that of the reference; 1 means equal.
 * Source: Deming 1943, Statistical Adjustment of Data; closed form as in Linnet 1990, Stat Med 9:1463-1473.
 */
final readonly class Deming
{
    private function __construct(public ?float $slope, public ?float $intercept) {}

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    public static function fit(array $reference, array $test, float $errorRatio = 1.0): self
    {
        if (count($reference) < 2 || $test === []) {
            return new self(null, null);
        }
        $xx = Spread::sumOfSquares($reference);
        $yy = Spread::sumOfSquares($test);
        [$meanX, $meanY] = [Spread::mean($reference), Spread::mean($test)];
        $xy = 0.0;
        foreach ($reference as $i => $x) {
            $xy += ($x - $meanX) * ($test[$i] - $meanY);
        }
        $gap = $yy - $errorRatio * $xx;
        if (abs($xy) <= 1e-14 * sqrt($xx * $yy) || $xx === 0.0 || $yy === 0.0) {
            return $gap < 0 ? new self(0.0, $meanY) : new self(null, null);
        }
        $slope = ($gap + sqrt($gap * $gap + 4 * $errorRatio * $xy * $xy)) / (2 * $xy);

        return new self($slope, $meanY - $slope * $meanX);
    }

    /** @return array{slope: ?float, intercept: ?float} */
    public function toArray(): array
    {
        return ['slope' => $this->slope, 'intercept' => $this->intercept];
    }
}
