<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

/**
 * What a strategy costs an area and year.
 *
 * Quantity and unit: money; shares of areas, 0 to 1; `interval` holds 95 % of the resampled evidence.
 */
final readonly class StrategyOutcome
{
    /** @param array{float, float} $interval */
    public function __construct(
        public string $strategy,
        public float $testing,
        public float $under,
        public float $over,
        public float $cost,
        public array $interval,
        public float $labShare,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'strategy' => $this->strategy,
            'testing' => $this->testing,
            'under' => $this->under,
            'over' => $this->over,
            'cost' => $this->cost,
            'interval' => $this->interval,
            'lab_share' => $this->labShare,
        ];
    }
}
