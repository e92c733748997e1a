<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * Do differences change with the level? Ordinary least squares of the difference on the mean of the two.
 *
 * Quantity and unit: slope in difference per unit of level; p two-sided, 0 to 1.
 * Domain: slope from 2 levels that differ, p from 3 pairs; null where there is no spread to rest on.
 * Source: Bland & Altman 1999, section 3.2; t with n - 2 degrees of freedom.
 */
final readonly class Trend
{
    /** Spread below this share of the data's size is rounding of binary fractions, not spread. */
    public const ROUNDING = 1e-12;

    private function __construct(public ?float $slope, public ?float $p) {}

    /**
     * @param list<float> $levels
     * @param list<float> $differences
     */
    public static function of(array $levels, array $differences): self
    {
        $n = count($levels);
        if ($n < 2 || $levels === [] || $differences === []) {
            return new self(null, null);
        }
        $xx = Spread::sumOfSquares($levels);
        $yy = Spread::sumOfSquares($differences);
        $size = $n * (self::ROUNDING * max(array_map('abs', $levels))) ** 2;
        if ($xx <= $size) {
            return new self(null, null);
        }
        $xy = 0.0;
        [$meanX, $meanY] = [Spread::mean($levels), Spread::mean($differences)];
        foreach ($levels as $i => $x) {
            $xy += ($x - $meanX) * ($differences[$i] - $meanY);
        }
        $slope = $xy / $xx;
        if ($n < 3 || $yy <= $size) {
            return new self($slope, null);
        }
        $residual = max(0.0, $yy - $slope * $xy);
        $t = $residual <= self::ROUNDING * $yy ? INF : $slope / sqrt($residual / ($n - 2) / $xx);

        return new self($slope, StudentT::twoSided($t, $n - 2));
    }
}
