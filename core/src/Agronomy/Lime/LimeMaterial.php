<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\ValueOutOfRange;

/**
 * A liming material: how much of it does the work of fine pure calcium carbonate.
 *
 * Quantity and unit: calcium carbonate equivalent in percent by mass; fineness as a share, 0 to 1.
 * Source: common practice; equivalents from molar masses.
 */
final readonly class LimeMaterial
{
    private function __construct(public float $ccePercent, public float $fineness) {}

    /** @throws ValueOutOfRange */
    public static function of(float $ccePercent, float $fineness): self
    {
        if (! ($ccePercent > 0 && $ccePercent <= 180)) {
            throw ValueOutOfRange::of('The calcium carbonate equivalent', $ccePercent, 'above 0 and up to 180', '%');
        }
        if (! ($fineness > 0 && $fineness <= 1)) {
            throw ValueOutOfRange::of('The fineness', $fineness, 'above 0 and up to 1');
        }

        return new self($ccePercent, $fineness);
    }

    /** Effective share of the material's mass. */
    public function effectiveness(): float
    {
        return $this->ccePercent / 100 * $this->fineness;
    }
}
