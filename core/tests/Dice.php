<?php

declare(strict_types=1);

namespace HonestCore\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Numbers by chance from a seed, for worlds that are made up in tests. */
final readonly class Dice
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** Above 0 and below 1. */
    public function share(): float
    {
        return ($this->random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    public function chance(float $of): bool
    {
        return $this->share() < $of;
    }

    public function normal(float $sd = 1.0): float
    {
        return $sd * sqrt(-2 * log($this->share())) * cos(2 * M_PI * $this->share());
    }
}
