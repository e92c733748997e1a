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
            throw new ValueOutOfRange('calcium_carbonate_equivalent', [
                'value' => $ccePercent,
                'low' => 0,
                'high' => 180,
                'unit' => '%',
            ]);
        }
        if (! ($through8 >= 0 && $through8 <= 100)) {
            throw new ValueOutOfRange('share_through_8_mesh', [
                'value' => $through8,
                'low' => 0,
                'high' => 100,
                'unit' => '%',
            ]);
        }
        if (! ($through60 >= 0 && $through60 <= $through8)) {
            throw new ValueOutOfRange('share_through_60_mesh', [
                'value' => $through60,
                'unit' => '%',
                'through8' => $through8,
            ]);
        }
        if (! ($moisture >= 0 && $moisture <= 100)) {
            throw new ValueOutOfRange('water', ['value' => $moisture, 'low' => 0, 'high' => 100, 'unit' => '%']);
        }
        $material = new self($ccePercent, $through8, $through60, $moisture);

        return $material->effectiveness() > 0
            ? $material
            : throw new ValueOutOfRange('nothing_of_the_material_works');
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
