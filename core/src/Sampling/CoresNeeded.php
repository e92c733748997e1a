<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Fewest;
use HonestCore\Statistics\StudentT;

/**
 * How many cores a margin asks for, and what margin a number of cores gives.
 *
 * Quantity and unit: cores; margin and standard deviation in the analyte's unit.
 * Variant: t two-sided with n - 1 degrees of freedom, n and t solved together; for a population of N the
 *   margin is multiplied by sqrt(1 - n/N).
 * Source: Cline 1944, Soil Science 58:275-288; Cochran 1977, Sampling Techniques, section 4.
 */
final class CoresNeeded
{
    /** @throws ValueOutOfRange */
    public static function forMargin(float $sd, float $margin, float $confidence, ?int $population = null): int
    {
        self::check($sd, $confidence);
        if (! ($margin > 0 && is_finite($margin))) {
            throw new ValueOutOfRange('margin', ['value' => $margin]);
        }
        if ($population !== null && $population < 2) {
            throw new ValueOutOfRange('population', ['value' => $population, 'low' => 2]);
        }
        if ($sd / $margin > 1e8) {
            throw new ValueOutOfRange('margin_too_fine', ['value' => $margin]);
        }

        return Fewest::from(
            2,
            static fn (int $n): bool => ($population !== null && $n >= $population) ||
                self::marginOf($n, $sd, $confidence, $population) <= $margin,
        );
    }

    /**
     * Margin on the mean of n cores: t * sd / sqrt(n).
     *
     * @throws ValueOutOfRange below 2 cores
     */
    public static function marginOf(int $cores, float $sd, float $confidence, ?int $population = null): float
    {
        self::check($sd, $confidence);
        if ($cores < 2) {
            throw new ValueOutOfRange('number_cores', ['value' => $cores, 'low' => 2]);
        }
        $finite = $population === null ? 1.0 : sqrt(max(0.0, 1 - $cores / $population));

        return ((StudentT::quantile((1 + $confidence) / 2, $cores - 1) * $sd) / sqrt($cores)) * $finite;
    }

    /** @throws ValueOutOfRange */
    private static function check(float $sd, float $confidence): void
    {
        if (! ($sd >= 0 && is_finite($sd))) {
            throw new ValueOutOfRange('standard_deviation', ['value' => $sd]);
        }
        if (! ($confidence > 0 && $confidence < 1)) {
            throw new ValueOutOfRange('share_of_confidence', ['value' => $confidence, 'low' => 0, 'high' => 1]);
        }
    }
}
