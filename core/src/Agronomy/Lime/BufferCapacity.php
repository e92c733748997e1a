<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * Lime requirement by a measured lime buffer capacity.
 *
 * Quantity and unit: capacity in mg CaCO3 for each kg of soil and pH unit; US tons of pure carbonate an acre: 0.3 c (T
 * - pH) d / 2000,
 *   since an acre-inch of soil weighs 300,000 lb.
 * Domain: capacity and depth in inches above 0.
 * Source: common practice; first principles.
 */
final class BufferCapacity
{
    private const LB_PER_ACRE_INCH_AND_PPM = 0.3;

    private const LB_PER_TON = 2000;

    public static function rate(float $ph, float $capacity, float $target, float $depthIn): LimeRate
    {
        if ($ph >= $target) {
            return LimeRate::of(LimeSchool::Capacity, 0.0, [], note: 'The pH is at its target or above: no lime.');
        }
        $rate = (self::LB_PER_ACRE_INCH_AND_PPM * $capacity * ($target - $ph) * $depthIn) / self::LB_PER_TON;

        return LimeRate::of(LimeSchool::Capacity, $rate, [
            new WorkingStep(
                'pure carbonate to the depth limed',
                sprintf('0.3 × %s × (%s − %s) × %s in / 2000', $capacity, $target, $ph, round($depthIn, 2)),
                $rate,
                'tons/acre',
            ),
        ]);
    }
}
