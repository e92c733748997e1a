<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * A soil probe.
 *
 * Quantity and unit: inner diameter in millimetres. Domain: above 0, up to 300.
 */
final readonly class Probe
{
    private const WIDEST_MM = 300.0;

    private function __construct(public float $diameterMm) {}

    /** @throws ValueOutOfRange */
    public static function ofDiameterMm(float $diameter): self
    {
        if (! ($diameter > 0 && $diameter <= self::WIDEST_MM)) {
            throw new ValueOutOfRange('inner_diameter_probe', [
                'value' => $diameter,
                'low' => 0,
                'high' => 300,
                'unit' => 'mm',
            ]);
        }

        return new self($diameter);
    }

    /**
     * Loose-free volume of a composite.
     *
     * Quantity and unit: millilitres: cores * π/4 * d² * thickness. Source: first principles.
     *
     * @pure
     */
    public function compositeMl(int $cores, DepthLayer $layer): float
    {
        return (($cores * M_PI) / 4) * ($this->diameterMm / 10) ** 2 * $layer->thicknessCm();
    }
}
