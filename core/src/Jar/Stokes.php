<?php

declare(strict_types=1);

namespace HonestCore\Jar;

use HonestCore\Error\ValueOutOfRange;

final class Stokes
{
    private const GRAVITY = 9.80665;

    /** Quartz and most minerals of soil: common practice. */
    private const PARTICLE_KG_PER_M3 = 2650.0;

    /** Above this Reynolds number Stokes' law is out by more than a few percent. */
    private const SLOW = 0.5;

    /**
     * Time that a grain takes to sink through a depth of still water.
     *
     * Quantity and unit: seconds, from the diameter in micrometres and the depth in centimetres.
     * Domain: depth above 0 to 100 cm; water from 0 to 40 °C; grains so small that the Reynolds number is below 0.5
     *   (about 75 µm at 20 °C).
     * Source: Stokes 1851, t = 18 η h / (g (ρp - ρw) d²), particle density 2.65.
     *
     * @throws ValueOutOfRange
     */
    public static function secondsToSink(float $micrometres, float $depthCm, float $celsius): float
    {
        if (! ($micrometres > 0 && $micrometres <= 2000)) {
            throw new ValueOutOfRange('diameter_grain', [
                'value' => $micrometres,
                'low' => 0,
                'high' => 2000,
                'unit' => 'µm',
            ]);
        }
        if (! ($depthCm > 0 && $depthCm <= 100)) {
            throw new ValueOutOfRange('depth_water', [
                'value' => $depthCm,
                'low' => 0,
                'high' => 100,
                'unit' => 'cm',
            ]);
        }
        $density = Water::densityKgPerM3($celsius);
        $viscosity = Water::viscosityPaS($celsius);
        $metres = $micrometres * 1e-6;
        $speed = (self::GRAVITY * (self::PARTICLE_KG_PER_M3 - $density) * $metres ** 2) / (18 * $viscosity);
        if (($density * $speed * $metres) / $viscosity > self::SLOW) {
            throw new ValueOutOfRange('grains_sink_too_fast', [
                'micrometres' => $micrometres,
                'celsius' => $celsius,
            ]);
        }

        return $depthCm / 100 / $speed;
    }
}
