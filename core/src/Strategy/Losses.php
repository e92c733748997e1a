<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

/**
 * What one strategy would have come to on each composite of the evidence.
 *
 * Quantity and unit: shares of areas, 0 to 1, by composite: done too little, done too much, sent to the lab.
 */
final readonly class Losses
{
    /** @param non-empty-list<array{float, float, float}> $each */
    public function __construct(public string $strategy, public array $each) {}

    /** @return array{float, float, float} too little, too much, sent to the lab, on average */
    public function mean(): array
    {
        $n = count($this->each);

        return [
            array_sum(array_column($this->each, 0)) / $n,
            array_sum(array_column($this->each, 1)) / $n,
            array_sum(array_column($this->each, 2)) / $n,
        ];
    }

    /** @return non-empty-list<float> money for each composite */
    public function costs(Costs $costs): array
    {
        return array_map(fn (array $one): float => $this->cost($one, $costs), $this->each);
    }

    /** @param array{float, float, float} $shares */
    public function cost(array $shares, Costs $costs, float $factor = 1.0): float
    {
        return $this->testing($shares[2], $costs) + $factor * ($shares[0] * $costs->under + $shares[1] * $costs->over);
    }

    public function testing(float $sent, Costs $costs): float
    {
        return match ($this->strategy) {
            'lab' => $costs->lab(),
            'test' => $costs->test(),
            // The test for all, and the lab for those that are sent on: those too close to call, or a year in three,
            // when the test gives what change is seen against.
            default => $costs->test() + $sent * $costs->lab(),
        };
    }

    /**
     * The least and the most that a composite which nobody has seen yet could cost: no mistake, or the dearer one.
     *
     * @return array{float, float}
     */
    public function unseen(Costs $costs): array
    {
        $testing = $this->testing($this->mean()[2], $costs);

        return [$testing, $testing + max($costs->under, $costs->over)];
    }
}
