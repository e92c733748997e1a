<?php

declare(strict_types=1);

namespace HonestCore\Jar;

use HonestCore\Error\ValueOutOfRange;

/** Pure water at one atmosphere. */
final class Water
{
    private const COLDEST = 0.0;

    private const WARMEST = 40.0;

    /**
     * Density of air-free water.
     *
     * Quantity and unit: kg/m³ at °C.
     * Domain: 0 to 40 °C.
     * Source: Tanaka and others 2001, Metrologia 38:301-309, equation 1 (coefficients written from memory; checked
     *   against 998.207 at 20 °C and 999.975 at 4 °C of the same paper, written from memory too).
     *
     * @throws ValueOutOfRange
     */
    public static function densityKgPerM3(float $celsius): float
    {
        self::check($celsius);

        return 999.97495 *
            (1 - (($celsius - 3.983035) ** 2 * ($celsius + 301.797)) / (522_528.9 * ($celsius + 69.34881)));
    }

    /**
     * Dynamic viscosity of water.
     *
     * Quantity and unit: Pa s at °C; 0.0010016 at 20 °C.
     * Domain: 0 to 40 °C.
     * Source: Kestin, Sokolov & Wakeham 1978, J. Phys. Chem. Ref. Data 7:941-948, equation 15 on 1.002 mPa s at 20 °C
     *   (coefficients written from memory; checked against the viscosity table of the IAPWS 2008 formulation).
     *
     * @throws ValueOutOfRange
     */
    public static function viscosityPaS(float $celsius): float
    {
        self::check($celsius);
        $d = 20 - $celsius;
        $log = ($d / ($celsius + 96)) * (1.2364 - 1.37e-3 * $d + 5.7e-6 * $d ** 2);

        return 1.0016e-3 * 10 ** $log;
    }

    /** @throws ValueOutOfRange */
    private static function check(float $celsius): void
    {
        if (! ($celsius >= self::COLDEST && $celsius <= self::WARMEST)) {
            throw new ValueOutOfRange('temperature_water', [
                'value' => $celsius,
                'low' => 0,
                'high' => 40,
                'unit' => '°C',
            ]);
        }
    }
}
