<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

use HonestCore\Error\ValueOutOfRange;

final class Fertiliser
{
    /**
     * Product that carries an amount of a nutrient.
     *
     * Quantity and unit: the unit of the nutrient's amount.
     * Domain: nutrient 0 or more; grade above 0 and up to 100 percent by mass, as on the bag (N, P2O5, K2O).
     * Source: first principles: 25 lb N as 15.5-0-0 is 161.29 lb.
     *
     * @throws ValueOutOfRange
     */
    public static function product(float $nutrient, float $gradePercent): float
    {
        if (! ($nutrient >= 0 && is_finite($nutrient))) {
            throw ValueOutOfRange::of('The nutrient', $nutrient, 'a finite number, 0 or more');
        }
        if (! ($gradePercent > 0 && $gradePercent <= 100)) {
            throw ValueOutOfRange::of('The grade', $gradePercent, 'above 0 and up to 100', '%');
        }

        return $nutrient / ($gradePercent / 100);
    }
}
