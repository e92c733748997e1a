<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Statistics\Spread;

/**
 * Spread between cores, judged from composites of the same ground: sd = sqrt(max(0, s² - lab²) x cores).
 *
 * Quantity and unit: the property's unit; s is the standard deviation of the composites' results, lab the laboratory's
 * own.
 * Domain: 3 composites or more; each the mean of independent cores.
 * Source: variance of a mean of independent cores; first principles.
 */
final class SpreadFromComposites
{
    public const FEWEST = 3;

    /**
     * @param list<array{value: float, cores: int}> $composites
     * @return float|null null where there are too few, or where the lab's own spread explains them
     */
    public static function of(array $composites, float $labSd): ?float
    {
        if (count($composites) < self::FEWEST) {
            return null;
        }
        $sd = Spread::standardDeviation(array_column($composites, 'value')) ?? 0.0;
        $between = max(0.0, $sd ** 2 - $labSd ** 2);
        $cores = array_sum(array_column($composites, 'cores')) / count($composites);

        return $between > 0 ? sqrt($between * $cores) : null;
    }
}
