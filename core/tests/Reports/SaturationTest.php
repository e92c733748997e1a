<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\AskedResult;
use HonestCore\Reports\ColumnName;
use HonestCore\Reports\Question;
use HonestCore\Reports\SampleQuestions;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Base saturation: how labs name it, and how it is held against bases and exchange capacity. */
final class SaturationTest extends TestCase
{
    /** @return array<string, array{string, string}> */
    public static function units(): array
    {
        return [
            'after brackets' => ['P (Mehlich-3) lb/acre', 'lb/acre'],
            'after a blank' => ['S kg/ha', 'kg/ha'],
            'in brackets' => ['K (mg/kg)', 'ppm'],
            'before the name' => ['ppm Zn', 'ppm'],
            'with a space inside' => ['CEC meq/100 g', 'cmol/kg'],
            'a share' => ['Organic matter %', 'percent'],
            'none' => ['Phosphorus', ''],
            'of salts' => ['EC mS/cm', 'dS/m'],
            'not a part of a word' => ['Mehlich-3 P, ppm (kg/hammer)', 'ppm'],
            'an oxide' => ['P2O5 lbs/ac', 'lb/acre'],
        ];
    }

    #[DataProvider('units')]
    public function test_the_unit_is_found_wherever_it_stands_in_the_name(string $name, string $unit): void
    {
        self::assertSame($unit, ColumnName::read($name)->unit);
    }

    /** @return array<string, array{string, string}> names as labs give them (common practice) */
    public static function names(): array
    {
        return [
            'K Sat %' => ['K Sat %', 'k_sat'],
            '% Ca' => ['% Ca', 'ca_sat'],
            'Mg %' => ['Mg %', 'mg_sat'],
            'Base Saturation' => ['Base Saturation, %', 'base_sat'],
            'H sat' => ['H saturation', 'h_sat'],
            'K itself' => ['K (Mehlich-3) ppm', 'k'],
            'sodium' => ['Sodium, ppm', 'na'],
            'magnesium, unit before it' => ['mg/kg Magnesium', 'mg'],
        ];
    }

    #[DataProvider('names')]
    public function test_columns_are_told_apart_by_their_names(string $name, string $analyte): void
    {
        self::assertSame($analyte, ColumnName::read($name)->analyte);
    }

    /** 391 ppm K is 1 cmol/kg, 2004 ppm Ca is 10: of a capacity of 20 they fill 5 and 50 % (from atomic masses). */
    public function test_shares_that_agree_with_bases_and_capacity_are_not_asked_about(): void
    {
        $sound = [
            'k' => 391.0,
            'ca' => 2004.0,
            'cec' => 20.0,
            'k_sat' => 5.0,
            'ca_sat' => 50.0,
            'mg_sat' => 15.0,
            'h_sat' => 30.0,
            'base_sat' => 70.0,
        ];
        self::assertSame([], self::asked($sound));
        self::assertStringContainsString(
            'Ca fills 62 % of the exchange capacity by the report, and 50 %',
            self::asked(['ca_sat' => 62.0, 'base_sat' => 82.0, 'h_sat' => 18.0] + $sound)[0],
        );
        self::assertStringContainsString(
            'given as 90 % and its bases add up to 70 %',
            self::asked(['base_sat' => 90.0] + $sound)[0],
        );
        self::assertStringContainsString('add up to 112 %', implode(' ', self::asked(['h_sat' => 42.0] + $sound)));
    }

    /**
     * @param array<string, float> $results
     * @return list<string>
     */
    private static function asked(array $results): array
    {
        $shaped = [];
        foreach ($results as $analyte => $value) {
            $shaped[$analyte] = new AskedResult((string) $analyte, $value);
        }

        return array_map(static fn (Question $one): string => $one->words, SampleQuestions::of('S', $shaped));
    }
}
