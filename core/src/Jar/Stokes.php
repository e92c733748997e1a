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
            throw ValueOutOfRange::of('The diameter of a grain', $micrometres, 'above 0 to 2000', 'µm');
        }
        if (! ($depthCm > 0 && $depthCm <= 100)) {
            throw ValueOutOfRange::of('The depth of water', $depthCm, 'above 0 to 100', 'cm');
        }
        $density = Water::densityKgPerM3($celsius);
        $viscosity = Water::viscosityPaS($celsius);
        $metres = $micrometres * 1e-6;
        $speed = (self::GRAVITY * (self::PARTICLE_KG_PER_M3 - $density) * $metres ** 2) / (18 * $viscosity);
        if (($density * $speed * $metres) / $viscosity > self::SLOW) {
            throw new ValueOutOfRange(
                "Grains of {$micrometres} µm sink too fast for Stokes' law in water of {$celsius} °C; accepted are ".
                    'finer ones.',
            );
        }

        return $depthCm / 100 / $speed;
    }
}
