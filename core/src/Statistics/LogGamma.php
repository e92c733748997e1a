<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class LogGamma
{
    private const G = 607 / 128;

    private const COEFFICIENTS = [
        0.99999999999999709182,
        57.156235665862923517,
        -59.597960355475491248,
        14.136097974741747174,
        -0.49191381609762019978,
        0.33994649984811888699e-4,
        0.46523628927048575665e-4,
        -0.98374475304879564677e-4,
        0.15808870322491248884e-3,
        -0.21026444172410488319e-3,
        0.2174396181152126432e-3,
        -0.16431810653676389022e-3,
        0.84418223983852743293e-4,
        -0.2619083840158140867e-4,
        0.36899182659531622704e-5,
    ];

    /**
     * Natural logarithm of the gamma function.
     *
     * Quantity and unit: ln Γ(x), no unit.
     * Domain: x above 0.
     * Accuracy: about 1e-15 relative.
     * Source: Lanczos 1964 with the 15 coefficients of Godfrey 2001 (g = 607/128).
     *
     * @pure
     */
    public static function of(float $x): float
    {
        $sum = self::COEFFICIENTS[0];
        for ($i = 1; $i < 15; $i++) {
            $sum += self::COEFFICIENTS[$i] / ($x + $i - 1);
        }
        $t = $x + self::G - 0.5;

        return 0.5 * log(2 * M_PI) + log($sum) + ($x - 0.5) * log($t) - $t;
    }
}
