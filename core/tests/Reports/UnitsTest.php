<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Formula;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(SoilUnit::class)]
#[CoversClass(Analyte::class)]
final class UnitsTest extends TestCase
{
    /**
     * Factors of the trade, each also computable from atomic masses.
     *
     * @return iterable<string, array{string, string, float}>
     */
    public static function factors(): iterable
    {
        yield 'P to P2O5' => ['P2O5', 'P', 2.2914];
        yield 'K to K2O' => ['K2O', 'K', 1.2046];
        yield 'Ca to CaO' => ['CaO', 'Ca', 1.3992];
        yield 'Mg to MgO' => ['MgO', 'Mg', 1.6583];
        yield 'Ca to CaCO3' => ['CaCO3', 'Ca', 2.4973];
    }

    #[DataProvider('factors')]
    public function test_factors_follow_from_atomic_masses(string $compound, string $element, float $factor): void
    {
        self::assertEqualsWithDelta($factor, Formula::perElement($compound, $element), 0.0001);
    }

    /**
     * Molar masses of handbooks (written from memory): CaCO3 100.09, MgCO3 84.31, CaO 56.08, Ca(OH)2 is no formula
     * here.
     */
    public function test_molar_masses(): void
    {
        self::assertEqualsWithDelta(
            [100.09, 84.31, 56.08, 141.94],
            array_map(Formula::mass(...), ['CaCO3', 'MgCO3', 'CaO', 'P2O5']),
            0.01,
        );
        foreach (['Ca(OH)2', 'Xx2', '', 'p2o5'] as $none) {
            try {
                Formula::mass($none);
                self::fail("{$none} was accepted.");
            } catch (CoreError $error) {
                self::assertStringContainsString('accepted are', $error->getMessage());
            }
        }
    }

    /**
     * Analyte, reported, unit, form, depth in cm, bulk density, home value, tolerance.
     *
     * @return iterable<string, array{string, float, string, string, float|null, float|null, float, float}>
     */
    public static function conversions(): iterable
    {
        yield 'ppm stays' => ['p', 34.5, 'mg/kg', '', null, null, 34.5, 1e-12];
        yield 'common practice: 2 lb/acre a ppm to 6 2/3 in' => [
            'p',
            60.0,
            'lb/acre',
            '',
            (20 / 3) * 2.54,
            null,
            30.0,
            1e-9,
        ];
        yield 'common practice: 0.3 an inch' => ['k', 288.0, 'lbs/ac', '', 8 * 2.54, null, 120.0, 1e-9];
        yield 'lb/1000 sq ft is lb/acre by 43.56' => [
            'p',
            60 / 43.56,
            'lb/1000 sq ft',
            '',
            (20 / 3) * 2.54,
            null,
            30.0,
            1e-9,
        ];
        yield 'kg/ha: depth by bulk density by 0.1' => ['k', 390.0, 'kg/ha', '', 15.0, 1.3, 200.0, 1e-9];
        yield 'P2O5 in ppm' => ['p', 22.914, 'ppm', 'P2O5', null, null, 10.0, 0.001];
        yield 'K2O in lb/acre' => ['k', 240.92, 'lb/acre', 'K2O', (20 / 3) * 2.54, null, 100.0, 0.01];
        yield 'calcium by charge: 1 meq/100 g is 200.4 ppm' => ['ca', 1.0, 'meq/100 g', '', null, null, 200.4, 0.05];
        yield 'magnesium: 121.5' => ['mg', 1.0, 'cmol/kg', '', null, null, 121.5, 0.05];
        yield 'potassium: 391' => ['k', 1.0, 'cmolc/kg', '', null, null, 391.0, 0.05];
        yield 'sodium: 230' => ['na', 10.0, 'mmol/kg', '', null, null, 229.9, 0.05];
        yield 'percent of organic matter' => ['om', 3.2, '%', 'OM', null, null, 3.2, 1e-12];
        yield 'organic carbon, van Bemmelen' => ['om', 2.0, '%', 'OC', null, null, 3.448, 1e-9];
        yield 'organic carbon in g/kg' => ['om', 20.0, 'g/kg', 'OC', null, null, 3.448, 1e-9];
        yield 'conductivity: mS/cm and dS/m are one' => ['ec', 0.7, 'mS/cm', '', null, null, 0.7, 1e-12];
        yield 'µS/cm' => ['ec', 700.0, 'µS/cm', '', null, null, 0.7, 1e-12];
        yield 'mS/m' => ['ec', 70.0, 'mS/m', '', null, null, 0.7, 1e-12];
        yield 'mmhos/cm' => ['ec', 1.2, 'mmhos/cm', '', null, null, 1.2, 1e-12];
        yield 'nitrate to nitrate nitrogen, 0.2259' => ['no3n', 100.0, 'ppm', 'NO3', null, null, 22.59, 0.01];
        yield 'meq/100 g of exchange capacity' => ['cec', 14.2, 'meq/100g', '', null, null, 14.2, 1e-12];
        yield 'pH' => ['ph', 6.1, '', '', null, null, 6.1, 1e-12];
    }

    #[DataProvider('conversions')]
    public function test_reported_values_come_home(
        string $analyte,
        float $value,
        string $unit,
        string $form,
        ?float $depth,
        ?float $density,
        float $home,
        float $near,
    ): void {
        self::assertEqualsWithDelta(
            $home,
            SoilUnit::toHome($analyte, $value, SoilUnit::named($unit), $form, $depth, $density),
            $near,
        );
    }

    /** Both ways of saying pounds an acre agree at the bulk density that the rule of thumb stands for. */
    public function test_the_rule_of_thumb_is_a_bulk_density_of_about_1_32(): void
    {
        $thumb = SoilUnit::areaPerPpm('lb/acre', 16.933, null);
        self::assertEqualsWithDelta(2.0, $thumb, 0.001);
        self::assertEqualsWithDelta($thumb, SoilUnit::areaPerPpm('lb/acre', 16.933, 1.324), 0.003);
        self::assertEqualsWithDelta(1.1209 * $thumb, SoilUnit::areaPerPpm('kg/ha', 16.933, 1.324), 0.003);
    }

    /** @return iterable<string, array{string, float, string, string, float|null, string}> */
    public static function refused(): iterable
    {
        yield 'pounds without a depth' => ['p', 60.0, 'lb/acre', '', null, 'needs the depth'];
        yield 'a pH in ppm' => ['ph', 6.0, 'ppm', '', null, 'cannot be given in ppm'];
        yield 'phosphorus in mS/cm' => ['p', 6.0, 'mS/cm', '', null, 'cannot be given in dS/m'];
        yield 'zinc by charge' => ['zn', 6.0, 'meq/100g', '', null, 'cannot be given'];
        yield 'potash of phosphorus' => ['p', 6.0, 'ppm', 'K2O', null, 'is no form of p'];
        yield 'not a number' => ['p', NAN, 'ppm', '', null, 'finite'];
        yield 'an unknown analyte' => ['gold', 6.0, 'ppm', '', null, 'no analyte'];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_turned_is_refused_in_words(
        string $analyte,
        float $value,
        string $unit,
        string $form,
        ?float $depth,
        string $words,
    ): void {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        SoilUnit::toHome($analyte, $value, SoilUnit::named($unit), $form, $depth);
    }

    public function test_an_unknown_unit_is_refused_with_those_that_are_known(): void
    {
        $this->expectExceptionMessage('"bushels" is no unit of soil reports; accepted are ppm, ppb');
        SoilUnit::named('bushels');
    }

    /** Turning is linear: twice the figure is twice the soil. */
    public function test_turning_is_linear(): void
    {
        foreach (self::conversions() as $name => [$analyte, $value, $unit, $form, $depth, $density]) {
            $one = SoilUnit::toHome($analyte, $value, SoilUnit::named($unit), $form, $depth, $density);
            self::assertEqualsWithDelta(
                2 * $one,
                SoilUnit::toHome($analyte, 2 * $value, SoilUnit::named($unit), $form, $depth, $density),
                1e-9 * abs($one),
                $name,
            );
        }
    }
}
