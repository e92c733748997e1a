<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * Composites of one round that call for different actions, taken together.
 *
 * Quantity and unit: pH; mean, standard deviation between composites and the margin of the mean (t sd / sqrt n,
 * two-sided 95 %).
 * Domain: 2 composites or more. pH is a logarithm: limed and unlimed ground do not belong into one mean, and the page
 * says so.
 * Source: any statistics handbook.
 */
final readonly class PooledPh
{
    private const CONFIDENCE = 0.95;

    /** @param array<string, float> $values by the code of the composite */
    private function __construct(public array $values, public float $mean, public float $sd, public float $margin) {}

    /**
     * @param array<string, float> $values by the code of the composite
     *
     * @throws ValueOutOfRange below 2 composites
     */
    public static function of(array $values): self
    {
        $list = array_values($values);
        $n = count($list);
        $sd = $list === [] ? null : Spread::standardDeviation($list);
        if ($list === [] || $sd === null) {
            throw new ValueOutOfRange('number_composites', ['value' => $n, 'low' => 2]);
        }

        return new self(
            $values,
            Spread::mean($list),
            $sd,
            (StudentT::quantile(1 - (1 - self::CONFIDENCE) / 2, $n - 1) * $sd) / sqrt($n),
        );
    }
}
