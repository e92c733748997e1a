<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * Lime requirement by the Mehlich buffer.
 *
 * Quantity and unit: US tons of agricultural limestone an acre, 8 inches deep:
 *   Ac = (6.6 - buffer pH) / 0.25, tons = Ac (target - pH) / (6.6 - pH).
 * Domain: target up to 6.6, past which the formula runs away; nothing from a buffer of 6.6 on; the rest gives no rate
 * and says why.
 * Source: Mehlich 1976, Comm Soil Sci Plant Anal 7:637-652 (formula written from memory).
 */
final class MehlichBuffer
{
    public const HIGHEST_TARGET = 6.6;

    private const ACIDITY_STEP = 0.25;

    public static function rate(SoilAcidity $soil, float $target): LimeRate
    {
        $school = LimeSchool::Mehlich;
        if ($soil->ph >= $target) {
            return LimeRate::of($school, 0.0, [], note: 'The pH is at its target or above: no lime.');
        }
        if ($target > self::HIGHEST_TARGET) {
            return LimeRate::none(
                $school,
                'This school sizes lime up to pH 6.6: past it the formula divides by next to nothing.',
            );
        }
        $acidity = (self::HIGHEST_TARGET - $soil->bufferPh) / self::ACIDITY_STEP;
        if ($acidity <= 0) {
            return LimeRate::of(
                $school,
                0.0,
                [
                    new WorkingStep(
                        'exchangeable acidity',
                        "(6.6 − {$soil->bufferPh}) / 0.25",
                        max(0.0, $acidity),
                        'meq/100 cm³',
                    ),
                ],
                note: 'The buffer shows no acidity to neutralise.',
            );
        }
        $rate = ($acidity * ($target - $soil->ph)) / (self::HIGHEST_TARGET - $soil->ph);

        return LimeRate::of($school, $rate, [
            new WorkingStep('exchangeable acidity', "(6.6 − {$soil->bufferPh}) / 0.25", $acidity, 'meq/100 cm³'),
            new WorkingStep(
                'agricultural limestone, 8 in deep',
                sprintf('%s × (%s − %s) / (6.6 − %s)', round($acidity, 3), $target, $soil->ph, $soil->ph),
                $rate,
                'tons/acre',
            ),
        ]);
    }
}
