<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * Lime requirement by the Adams-Evans buffer.
 *
 * Quantity and unit: US tons of agricultural limestone an acre, 6 2/3 inches deep: 6 (8 - buffer) (1 -
 * H(target)/H(pH)), with
 *   pH = 7.79 - 5.55 H + 2.27 H^2 solved for the share of acidity H.
 * Domain: pH and target from 4.398 to 7.79; nothing from a buffer of 8 on.
 * Source: Adams & Evans 1962, Soil Sci Soc Am Proc 26:355-357 (formula written from memory).
 */
final class AdamsEvansBuffer
{
    public const LOWEST_PH = 4.398;

    public const HIGHEST_PH = 7.79;

    private const UNBUFFERED = 8.0;

    public static function rate(SoilAcidity $soil, float $target): LimeRate
    {
        $school = LimeSchool::AdamsEvans;
        if ($soil->ph >= $target) {
            return LimeRate::of($school, 0.0, [], note: 'The pH is at its target or above: no lime.');
        }
        if ($soil->ph < self::LOWEST_PH || $target > self::HIGHEST_PH) {
            return LimeRate::none(
                $school,
                'The curve of this school runs from pH '.self::LOWEST_PH.' to '.self::HIGHEST_PH.'.',
            );
        }
        if ($soil->bufferPh >= self::UNBUFFERED) {
            return LimeRate::of($school, 0.0, [], note: 'The buffer shows no acidity to neutralise.');
        }
        [$now, $then] = [self::acidity($soil->ph), self::acidity($target)];
        $rate = 6 * (self::UNBUFFERED - $soil->bufferPh) * (1 - $then / $now);

        return LimeRate::of($school, $rate, [
            new WorkingStep(
                'share of acidity now and at the target',
                "pH {$soil->ph} and {$target}",
                $now,
                'now, '.round($then, 3).' then',
            ),
            new WorkingStep(
                'agricultural limestone, 6 2/3 in deep',
                sprintf('6 × (8 − %s) × (1 − %s / %s)', $soil->bufferPh, round($then, 3), round($now, 3)),
                $rate,
                'tons/acre',
            ),
        ]);
    }

    /** The smaller root of pH = 7.79 - 5.55 H + 2.27 H^2. */
    private static function acidity(float $ph): float
    {
        return (5.55 - sqrt(max(0.0, 5.55 ** 2 - 9.08 * (self::HIGHEST_PH - $ph)))) / 4.54;
    }
}
