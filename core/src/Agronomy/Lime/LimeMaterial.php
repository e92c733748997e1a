<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\ValueOutOfRange;

/**
 * A liming material: how much of it does the work of fine pure calcium carbonate.
 *
 * Quantity and unit: calcium carbonate equivalent, shares through 8 and 60 mesh, and water, in percent by mass.
 * Source: common practice: what passes 60 mesh counts whole, what passes 8 and not 60 half; equivalents from molar
 * masses.
 */
final readonly class LimeMaterial
{
    private function __construct(
        public float $ccePercent,
        public float $through8,
        public float $through60,
        public float $moisture,
    ) {}

    /** @throws ValueOutOfRange */
    public static function ground(float $ccePercent, float $through8, float $through60, float $moisture = 0.0): self
    {
        if (! ($ccePercent > 0 && $ccePercent <= 180)) {
            throw ValueOutOfRange::of('The calcium carbonate equivalent', $ccePercent, 'above 0 and up to 180', '%');
        }
        if (! ($through8 >= 0 && $through8 <= 100)) {
            throw ValueOutOfRange::of('The share through 8 mesh', $through8, 'from 0 to 100', '%');
        }
        if (! ($through60 >= 0 && $through60 <= $through8)) {
            throw ValueOutOfRange::of(
                'The share through 60 mesh',
                $through60,
                "from 0 to the {$through8} that pass 8 mesh",
                '%',
            );
        }
        if (! ($moisture >= 0 && $moisture <= 100)) {
            throw ValueOutOfRange::of('The water', $moisture, 'from 0 to 100', '%');
        }
        $material = new self($ccePercent, $through8, $through60, $moisture);

        return $material->effectiveness() > 0
            ? $material
            : throw new ValueOutOfRange(
                'Nothing of this material works: no share of it passes 8 mesh, or it is all water; accepted is an '.
                    'effectiveness above 0.',
            );
    }

    /** The limestone that the schools of lime are made for: 90 % carbonate, 95 % through 8 mesh and 50 % through 60. */
    public static function reference(): self
    {
        return self::ground(90, 95, 50);
    }

    /** Effective share of the material's mass. */
    public function effectiveness(): float
    {
        return ((($this->ccePercent / 100) * ($this->through8 + $this->through60)) / 200) * (1 - $this->moisture / 100);
    }
}
