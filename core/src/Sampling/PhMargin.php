<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * Margin to expect on the pH of a composite, from the usual spread between cores.
 *
 * Quantity and unit: pH, half the width of the interval at `confidence`; sampling error alone, without the lab's own.
 * Domain: 2 cores or more.
 * Source: CoresNeeded, with the spreads of data/ph-spread.json.
 */
final readonly class PhMargin
{
    private function __construct(
        public float $usual,
        public float $low,
        public float $high,
        public float $sd,
        public float $confidence,
    ) {}

    /**
     * @param float|null $sd spread between cores measured on this ground; null for the usual one
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function of(int $cores, ?float $sd = null): self
    {
        /** @var array{low: float, usual: float, high: float, confidence: float} $table */
        $table = RuleTable::named('ph-spread');
        $margin = static fn (float $spread): float => CoresNeeded::marginOf($cores, $spread, $table['confidence']);

        return new self(
            $margin($sd ?? $table['usual']), $margin($sd ?? $table['low']), $margin($sd ?? $table['high']),
            $sd ?? $table['usual'], $table['confidence'],
        );
    }
}
