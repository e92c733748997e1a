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
    /**
     * The fewest of the planned cores whose margin still counts as the plan's: it has grown by no more than
     * data/pulling.json allows.
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function fewestFor(int $planned): int
    {
        /** @var array{margin_growth: float} $table */
        $table = RuleTable::named('pulling');
        $most = self::of($planned)->usual * $table['margin_growth'];
        $cores = $planned;
        while ($cores > 2 && self::of($cores - 1)->usual <= $most) {
            $cores--;
        }

        return $cores;
    }

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
        $usual = $sd ?? $table['usual'];
        $ofUnit = CoresNeeded::marginOf($cores, 1.0, $table['confidence']);
        if (! ($usual >= 0 && is_finite($usual))) {
            throw new ValueOutOfRange('standard_deviation', ['value' => $usual]);
        }

        return new self(
            $ofUnit * $usual,
            $ofUnit * ($sd ?? $table['low']),
            $ofUnit * ($sd ?? $table['high']),
            $usual,
            $table['confidence'],
        );
    }
}
