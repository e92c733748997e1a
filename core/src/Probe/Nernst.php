<?php

declare(strict_types=1);

namespace HonestCore\Probe;

use HonestCore\Error\ValueOutOfRange;

final class Nernst
{
    /** Exact since 2019: J/(mol K). */
    private const GAS = 8.31446261815324;

    /** Exact since 2019: C/mol. */
    private const FARADAY = 96_485.33212331001;

    private const ZERO_CELSIUS = 273.15;

    /**
     * The voltage of an ideal glass electrode for one unit of pH.
     *
     * Quantity and unit: mV per pH at °C; 59.16 at 25 °C.
     * Domain: -5 to 100 °C.
     * Source: Nernst, ln(10) R T / F with the constants of the SI of 2019.
     *
     * @throws ValueOutOfRange
     */
    public static function millivoltsPerPh(float $celsius): float
    {
        if (! ($celsius >= -5 && $celsius <= 100)) {
            throw new ValueOutOfRange('temperature', [
                'value' => $celsius,
                'low' => -5,
                'high' => 100,
                'unit' => '°C',
            ]);
        }

        return (1000 * M_LN10 * self::GAS * (self::ZERO_CELSIUS + $celsius)) / self::FARADAY;
    }
}
