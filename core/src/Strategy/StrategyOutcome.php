<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

/**
 * What a strategy costs an area and year.
 *
 * Quantity and unit: money; shares of areas, 0 to 1; `interval` of its cost and `dearer` of what it costs more than the
 * cheapest one, both at 95 %; `apart` where that second interval leaves 0 out, so that the two can be told apart.
 */
final readonly class StrategyOutcome
{
    /**
     * @param array{float, float} $interval
     * @param array{float, float} $dearer
     */
    public function __construct(
        public string $strategy,
        public float $testing,
        public float $under,
        public float $over,
        public float $cost,
        public array $interval,
        public float $labShare,
        public array $dearer,
        public bool $apart,
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
            'dearer' => $this->dearer,
            'apart' => $this->apart,
        ];
    }
}
