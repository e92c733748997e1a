<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Analyte\SoilUnit;
use HonestCore\Reports\ColumnChoices;
use HonestCore\Reports\ColumnName;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whatever a person may choose for a column is understood, and whatever is guessed can be chosen. */
final class ColumnChoicesTest extends TestCase
{
    public function test_every_analyte_has_a_unit_of_its_own_among_those_offered(): void
    {
        $all = ColumnChoices::all();
        self::assertSame('pH', $all->analytes['ph']->name);
        foreach (array_keys($all->analytes) as $code) {
            $home = SoilUnit::home($code);
            self::assertNotNull($home, $code);
            self::assertContains($home->code, $all->units, $code);
        }
        foreach ($all->units as $unit) {
            self::assertSame($unit, SoilUnit::named($unit)->code);
        }
    }

    public function test_every_form_becomes_a_value_of_its_analyte(): void
    {
        $all = ColumnChoices::all();
        self::assertSame(['P', 'P2O5', 'PO4'], $all->forms['p']);
        self::assertArrayNotHasKey('na', $all->forms, 'one form is no choice');
        foreach ($all->forms as $analyte => $forms) {
            self::assertContains($analyte, array_keys($all->analytes));
            foreach ($forms as $form) {
                self::assertGreaterThan(
                    0,
                    SoilUnit::toHome(
                        $analyte,
                        10.0,
                        SoilUnit::named($analyte === 'om' ? 'percent' : 'ppm'),
                        $form,
                        null,
                        null,
                    ),
                    "{$form} of {$analyte}",
                );
            }
        }
    }

    #[DataProvider('names')]
    public function test_a_guess_can_be_chosen(string $column): void
    {
        [$guess, $all] = [ColumnName::read($column), ColumnChoices::all()];

        self::assertSame('result', $guess->role->value);
        self::assertContains($guess->analyte, array_keys($all->analytes));
        self::assertTrue($guess->unit === '' || in_array($guess->unit, $all->units, true), $guess->unit);
        self::assertTrue(
            $guess->extractant === '' || in_array($guess->extractant, $all->extractants, true),
            $guess->extractant,
        );
        self::assertTrue(
            $guess->form === '' || in_array($guess->form, $all->forms[$guess->analyte] ?? [$guess->form], true),
            $guess->form,
        );
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (
            [
                'pH (1:1 water)',
                'SMP buffer pH',
                'P2O5 (Olsen) kg/ha',
                'Phosphate PO4 ppm',
                'K2O lb/acre',
                'Ca, ammonium acetate, cmol/kg',
                'Mg saturation %',
                'Organic carbon %',
                'Nitrate NO3 mg/kg',
                'EC 1:2 dS/m',
                'Zn (DTPA) ppm',
                'Sand %',
            ] as $name
        ) {
            yield $name => [$name];
        }
    }
}
