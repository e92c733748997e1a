<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * Lime requirement by the Mehlich buffer.
 *
 * Quantity and unit: US tons of fine pure CaCO3 an acre, 8 inches deep:
 *   Ac = (6.6 - buffer pH) / 0.25, tons = Ac (target - pH) / (6.6 - pH).
 * Domain: water pH and target below 6.6 at most, buffer pH up to 6.6; the rest gives no rate and says why.
 * Source: Mehlich 1976, Comm Soil Sci Plant Anal 7:637-652 (formula written from memory).
 */
final class MehlichBuffer
{
    public const SCHOOL = 'Mehlich buffer';

    private const SOURCE = 'Mehlich 1976';

    private const UNBUFFERED = 6.6;

    private const ACIDITY_STEP = 0.25;

    public static function rate(SoilAcidity $soil, float $target): LimeRate
    {
        if ($soil->ph >= $target) {
            return LimeRate::of(self::SCHOOL, 0.0, [], self::SOURCE, false, 'The pH is at its target or above: no lime.');
        }
        if ($soil->ph >= self::UNBUFFERED) {
            return LimeRate::none(self::SCHOOL, 'The formula divides by 6.6 less the pH and gives no rate from pH 6.6 on.', self::SOURCE);
        }
        $acidity = (self::UNBUFFERED - $soil->bufferPh) / self::ACIDITY_STEP;
        if ($acidity <= 0) {
            return LimeRate::of(self::SCHOOL, 0.0, [
                new WorkingStep('exchangeable acidity', "(6.6 − {$soil->bufferPh}) / 0.25", max(0.0, $acidity), 'meq/100 cm³'),
            ], self::SOURCE, false, 'The buffer shows no acidity to neutralise.');
        }
        $rate = $acidity * ($target - $soil->ph) / (self::UNBUFFERED - $soil->ph);

        return LimeRate::of(self::SCHOOL, $rate, [
            new WorkingStep('exchangeable acidity', "(6.6 − {$soil->bufferPh}) / 0.25", $acidity, 'meq/100 cm³'),
            new WorkingStep(
                'fine pure CaCO₃, 8 in deep',
                sprintf('%s × (%s − %s) / (6.6 − %s)', round($acidity, 3), $target, $soil->ph, $soil->ph),
                $rate, 'tons/acre',
            ),
        ], self::SOURCE);
    }
}
