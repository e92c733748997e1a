<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Sampling\Draw;

/**
 * A made-up field of mean 0 and spread 1 that can be asked at any place.
 *
 * Quantity and unit: standard deviations; places in metres east and north.
 * Variant: the spectral method of CorrelatedField, its waves kept instead of drawn over a lattice.
 * Source: Mantoglou & Wilson 1982, Water Resources Research 18:1379-1394.
 */
final readonly class WaveField
{
    private const WAVES = 200;

    /** @param list<array{float, float, float}> $waves radians a metre east and north, and phase */
    private function __construct(private array $waves) {}

    public static function drawn(float $rangeM, Draw $draw): self
    {
        $waves = [];
        for ($i = 0; $i < self::WAVES; $i++) {
            $number = sqrt((1 - min($draw->share(), 1 - 1e-9)) ** -2 - 1) / ($rangeM / 3);
            $direction = 2 * M_PI * $draw->share();
            $waves[] = [$number * cos($direction), $number * sin($direction), 2 * M_PI * $draw->share()];
        }

        return new self($waves);
    }

    public function at(float $eastM, float $northM): float
    {
        $sum = 0.0;
        foreach ($this->waves as [$east, $north, $phase]) {
            $sum += cos($east * $eastM + $north * $northM + $phase);
        }

        return $sum * sqrt(2 / self::WAVES);
    }
}
