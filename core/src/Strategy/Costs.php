<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Error\ValueOutOfRange;

/**
 * What testing and mistakes cost an area in a year.
 *
 * Quantity and unit: money in one currency; minutes of a person's attention; money an hour of it; `under` is what it
 * costs to
 *   do less than is needed, `over` to do more, an area and year.
 * Domain: all finite, 0 or more.
 */
final readonly class Costs
{
    private function __construct(
        public float $labFee,
        public float $labMinutes,
        public float $testFee,
        public float $testMinutes,
        public float $hour,
        public float $under,
        public float $over,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(
        float $labFee,
        float $labMinutes,
        float $testFee,
        float $testMinutes,
        float $hour,
        float $under,
        float $over,
    ): self {
        foreach (
            [
                'The fee of the lab' => $labFee,
                'Minutes for the lab' => $labMinutes,
                'The cost of a test' => $testFee,
                'Minutes for a test' => $testMinutes,
                'An hour' => $hour,
                'Too little done' => $under,
                'Too much done' => $over,
            ] as $name => $value
        ) {
            if (! is_finite($value) || $value < 0 || $value > 1e9) {
                throw new ValueOutOfRange('cost', ['value' => $value, 'name' => $name]);
            }
        }

        return new self($labFee, $labMinutes, $testFee, $testMinutes, $hour, $under, $over);
    }

    public function lab(): float
    {
        return $this->labFee + ($this->labMinutes / 60) * $this->hour;
    }

    public function test(): float
    {
        return $this->testFee + ($this->testMinutes / 60) * $this->hour;
    }
}
