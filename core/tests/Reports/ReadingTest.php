<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Error\CoreError;
use HonestCore\Reports\ColumnMap;
use HonestCore\Reports\ColumnName;
use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\Doubt;
use HonestCore\Reports\Interchange;
use HonestCore\Reports\NumberStyle;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportLine;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;
use HonestCore\Reports\ReportTable;
use HonestCore\Reports\ReportText;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(ReportReading::class)]
#[CoversClass(ReportTable::class)]
#[CoversClass(ReportText::class)]
#[CoversClass(ReportMapping::class)]
#[CoversClass(ReportLine::class)]
#[CoversClass(ColumnRole::class)]
#[CoversClass(ColumnMap::class)]
#[CoversClass(Doubt::class)]
final class ReadingTest extends TestCase
{
    /**
     * @return iterable<string, array{string, bool, array{string, float|null, float|null, string}}> cell, decimal
     *                                                                                              comma, kind, number, upper, unit
     */
    public static function cells(): iterable
    {
        yield 'a number' => ['6.12', false, ['number', 6.12, null, '']];
        yield 'one with its unit' => ['34.5 ppm', false, ['number', 34.5, null, 'ppm']];
        yield 'without a space' => ['3.2%', false, ['number', 3.2, null, '%']];
        yield 'a decimal comma' => ['6,12', true, ['number', 6.12, null, '']];
        yield 'one that is none here' => ['6,12', false, ['unreadable', null, null, '']];
        yield 'a point where commas are asked' => ['6.12', true, ['unreadable', null, null, '']];
        yield 'an exponent' => ['1.2e3', false, ['number', 1200.0, null, '']];
        yield 'below' => ['<0.5', false, ['below', 0.5, null, '']];
        yield 'below, with room and unit' => ['< 0.5 mg/kg', false, ['below', 0.5, null, 'mg/kg']];
        yield 'below in words' => ['less than 2', false, ['below', 2.0, null, '']];
        yield 'above' => ['>600', false, ['above', 600.0, null, '']];
        yield 'a range' => ['5 - 10', false, ['range', 5.0, 10.0, '']];
        yield 'a range in words' => ['5 to 10 ppm', false, ['range', 5.0, 10.0, 'ppm']];
        yield 'a range backwards' => ['10-5', false, ['unreadable', null, null, '']];
        yield 'a trace' => ['Trace', false, ['trace', null, null, '']];
        yield 'a rating' => ['Very High', false, ['rating', null, null, '']];
        yield 'not tested' => ['not tested', false, ['absent', null, null, '']];
        yield 'a dash' => ['-', false, ['absent', null, null, '']];
        yield 'nothing' => ['   ', false, ['absent', null, null, '']];
        yield 'a hard space' => ["6.1\u{a0}", false, ['number', 6.1, null, '']];
        yield 'a negative number' => ['-0.2', false, ['number', -0.2, null, '']];
        yield 'a formula' => ['=1+1', false, ['unreadable', null, null, '']];
        yield 'hexadecimal' => ['0x1A', false, ['number', 0.0, null, 'x1A']];
        yield 'infinity' => ['INF', false, ['unreadable', null, null, '']];
        yield 'thousands' => ['1,200', false, ['number', 1200.0, null, '']];
        yield 'digits without end' => [str_repeat('9', 400), false, ['unreadable', null, null, '']];
    }

    /** @param array{string, float|null, float|null, string} $expected */
    #[DataProvider('cells')]
    public function test_cells_are_read_as_they_say(string $cell, bool $comma, array $expected): void
    {
        $value = ReportedValue::read($cell, $comma ? NumberStyle::comma() : NumberStyle::point());

        self::assertSame($expected, [$value->kind, $value->number, $value->upper, $value->unit]);
    }

    /**
     * @return iterable<string, array{string, string, string, int, bool}> bytes, charset, delimiter, header row,
     *                                                                    decimal comma
     */
    public static function files(): iterable
    {
        yield 'plain' => ["sample,ph\nA,6.1\nB,6.2\n", 'UTF-8', ',', 1, false];
        yield 'semicolons, decimal commas, BOM, CRLF' => [
            "\xEF\xBB\xBFsample;ph\r\nA;6,1\r\nB;6,2\r\n",
            'UTF-8',
            ';',
            1,
            true,
        ];
        yield 'tabs' => ["sample\tph\nA\t6.1\nB\t6.2\n", 'UTF-8', "\t", 1, false];
        yield 'bars' => ["sample|ph\nA|6.1\nB|6.2\n", 'UTF-8', '|', 1, false];
        yield 'Windows-1252' => ["sample;ph\xE9\nA;6,1\nB;6,2\n", 'Windows-1252', ';', 1, true];
        yield 'UTF-16' => [
            "\xFF\xFE".mb_convert_encoding("sample,ph\nA,6.1\nB,6.2\n", 'UTF-16LE', 'UTF-8'),
            'UTF-16LE',
            ',',
            1,
            false,
        ];
        yield 'titles above' => [
            "Marl Laboratory\n\"Report 4711, 3 May\"\n\nsample,ph,p (ppm)\nA,6.1,20\nB,6.2,30\n",
            'UTF-8',
            ',',
            4,
            false,
        ];
        yield 'old line ends' => ["sample,ph\rA,6.1\rB,6.2\r", 'UTF-8', ',', 1, false];
        yield 'commas inside quotes' => [
            "\"sample; code\";ph\n\"A, west\";6,1\n\"B, east\";6,2\n",
            'UTF-8',
            ';',
            1,
            true,
        ];
    }

    #[DataProvider('files')]
    public function test_files_of_any_shape_are_read(
        string $bytes,
        string $charset,
        string $delimiter,
        int $header,
        bool $comma,
    ): void {
        $text = ReportText::read($bytes);
        $table = ReportTable::of($text->records);

        self::assertSame(
            [$charset, $delimiter, $header, $comma ? ',' : '.'],
            [$text->charset, $text->delimiter, $table->headerRow, ReportReading::of($table)->style->mark()],
        );
        self::assertCount(2, $table->rows);
        $ph = (int) array_key_first(
            array_filter($table->columns, static fn (string $name): bool => str_starts_with($name, 'ph')),
        );
        self::assertSame([$comma ? '6,1' : '6.1', $comma ? '6,2' : '6.2'], array_column($table->rows, $ph));
    }

    public function test_the_header_can_be_named_and_columns_of_one_name_are_told_apart(): void
    {
        $text = ReportTable::of(ReportText::read("a,b\nsample,ph,ph,\nA,6.1,6.2,x\n")->records, 2);

        self::assertSame(['sample', 'ph', 'ph (2)', 'column 4'], $text->columns);
        self::assertSame([3 => ['A', '6.1', '6.2', 'x']], $text->rows);
    }

    public function test_short_rows_are_filled_and_long_ones_are_never_cut(): void
    {
        self::assertSame(
            [2 => ['A', ''], 3 => ['B', '6.2']],
            ReportTable::of(ReportText::read("sample,ph\nA\nB,6.2,,\n")->records, 1)->rows,
        );
        $this->expectExceptionMessage('row 3 has 3 cells and the header in row 1 has 2');
        ReportTable::of(ReportText::read("sample,ph\nA\nB,6.2,extra\n")->records, 1);
    }

    public function test_what_is_no_report_is_refused_in_words(): void
    {
        foreach (
            [
                '' => 'empty',
                "  \n " => 'empty',
                "PK\x03\x04zip" => 'a zipped file',
                'only,a,header' => 'no row below',
                "\xFF\xFE" => 'empty',
                str_repeat(',', 5000)."\n1" => 'cells',
            ] as $bytes => $words
        ) {
            try {
                ReportTable::of(ReportText::read((string) $bytes)->records);
                self::fail("{$words} was accepted.");
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }

    /** Whatever the bytes are, they are read or refused in words. */
    public function test_bytes_of_chance_are_read_or_refused_in_words(): void
    {
        mt_srand(41);
        $alphabet = [
            "\n",
            "\r",
            ',',
            ';',
            "\t",
            '|',
            '"',
            'a',
            'ph',
            '6.1',
            '6,1',
            "\xE9",
            "\xC3\xA9",
            "\x00",
            ' ',
            '<0.5',
            '=',
            '-',
        ];
        $read = 0;
        for ($i = 0; $i < 8000; $i++) {
            $bytes = '';
            for ($j = mt_rand(0, 60); $j > 0; $j--) {
                $bytes .= $alphabet[mt_rand(0, count($alphabet) - 1)];
            }
            try {
                $table = ReportTable::of(ReportText::read($bytes)->records);
                foreach ($table->rows as $cells) {
                    self::assertCount(count($table->columns), $cells);
                }
                foreach (($reading = ReportReading::of($table))->lines() as $line) {
                    self::assertTrue($line->value->number === null || is_finite($line->value->number));
                }
                $reading->leftOut();
                $read++;
            } catch (CoreError $error) {
                self::assertStringContainsString('accepted is', $error->getMessage());
            }
        }
        self::assertGreaterThan(400, $read);
    }

    /**
     * @return iterable<string, array{string, array{string, string|null, string, string, string}}> name, role, analyte,
     *                                                                                             form, unit, extractant
     */
    public static function columns(): iterable
    {
        yield 'Sample ID' => ['Sample ID', ['sample', null, '', '', '']];
        yield 'Lab No.' => ['Lab No.', ['lab_number', null, '', '', '']];
        yield 'Depth (in)' => ['Depth (in)', ['depth', null, '', '', '']];
        yield 'pH' => ['pH', ['result', 'ph', '', 'pH', '']];
        yield '1:1 Soil pH' => ['1:1 Soil pH', ['result', 'ph', '', 'pH', 'water']];
        yield 'SMP Buffer pH' => ['SMP Buffer pH', ['result', 'buffer_ph', '', 'pH', 'smp']];
        yield 'mehlich_buffer_ph' => ['mehlich_buffer_ph', ['result', 'buffer_ph', '', 'pH', 'mehlich']];
        yield 'P (Mehlich-3), ppm' => ['P (Mehlich-3), ppm', ['result', 'p', 'P', 'ppm', 'mehlich-3']];
        yield 'Olsen P (mg/kg)' => ['Olsen P (mg/kg)', ['result', 'p', 'P', 'ppm', 'olsen']];
        yield 'P2O5 lb/acre' => ['P2O5 (lb/acre)', ['result', 'p', 'P2O5', 'lb/acre', '']];
        yield 'Potassium (lbs/A)' => ['Potassium (lbs/A)', ['result', 'k', 'K', 'lb/acre', '']];
        yield 'Organic Matter %' => ['Organic Matter %', ['result', 'om', 'OM', 'percent', '']];
        yield 'CEC (meq/100g)' => ['CEC (meq/100g)', ['result', 'cec', '', 'cmol/kg', '']];
        yield 'EC mS/cm' => ['EC (mS/cm)', ['result', 'ec', '', 'dS/m', '']];
        yield 'NO3-N ppm' => ['NO3-N (ppm)', ['result', 'no3n', 'NO3-N', 'ppm', '']];
        yield 'Comments' => ['Comments', ['ignore', null, '', '', '']];
        yield 'Result' => ['Result', ['value', null, '', '', '']];
        yield 'Analyte' => ['Analyte', ['analyte', null, '', '', '']];
    }

    /** @param array{string, string|null, string, string, string} $expected */
    #[DataProvider('columns')]
    public function test_columns_are_guessed_by_their_names(string $name, array $expected): void
    {
        $guess = ColumnName::read($name);

        self::assertSame($expected, [
            $guess->role->value,
            $guess->analyte === '' ? null : $guess->analyte,
            $guess->form,
            $guess->unit,
            $guess->extractant,
        ]);
    }

    public function test_interchange_documents_of_both_forms_give_the_same_rows(): void
    {
        $xml = '<ModusResult '.
            'Version="1.0"><Event><EventSamples><Soil><DepthRefs><DepthRef><DepthID>1</DepthID><StartingDepth>0</StartingDepth>'.
                '<EndingDepth>6</EndingDepth><DepthUnit>in</DepthUnit></DepthRef></DepthRefs>
            '.
                '<SoilSample><SampleMetaData><SampleNumber>4711</SampleNumber>'.
                '<FMISSampleID>QH26-01L-X</FMISSampleID></SampleMetaData><Depths><Depth><DepthID>1</DepthID><NutrientResults>
            '.
                    '<NutrientResult><Element>pH</Element><Value>6.1</Value><ValueUnit>none</ValueUnit></NutrientResult>'.
                '<NutrientResult><Element>P</Element><Value>31</Value><ValueUnit>ppm</ValueUnit>'.
                '<ModusTestID>S-P-M3</ModusTestID></NutrientResult>'.
                '</NutrientResults></Depth></Depths></SoilSample></Soil></EventSamples></Event></ModusResult>';
        $json = json_encode(
            [
                'Events' => [
                    [
                        'EventSamples' => [
                            'Soil' => [
                                'DepthRefs' => [
                                    ['DepthID' => 1, 'StartingDepth' => 0, 'EndingDepth' => 6, 'DepthUnit' => 'in'],
                                ],
                                'SoilSamples' => [
                                    [
                                        'SampleMetaData' => ['SampleNumber' => '4711', 'FMISSampleID' => 'QH26-01L-X'],
                                        'Depths' => [
                                            [
                                                'DepthID' => 1,
                                                'NutrientResults' => [
                                                    ['Element' => 'pH', 'Value' => 6.1, 'ValueUnit' => 'none'],
                                                    [
                                                        'Element' => 'P',
                                                        'Value' => 31,
                                                        'ValueUnit' => 'ppm',
                                                        'ModusTestID' => 'S-P-M3',
                                                    ],
                                                ],
                                            ],
                                        ],
                                    ],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        );
        $expected = [
            1 => Interchange::COLUMNS,
            2 => ['QH26-01L-X', '', '0-6in', 'pH', '6.1', 'none', ''],
            3 => ['QH26-01L-X', '', '0-6in', 'P', '31', 'ppm', 'S-P-M3'],
        ];

        self::assertSame($expected, Interchange::records($xml));
        self::assertSame($expected, Interchange::records($json));
        self::assertTrue(
            Interchange::looksLike($xml) && Interchange::looksLike(" {$json}") && ! Interchange::looksLike('sample,ph'),
        );
    }

    public function test_broken_and_dangerous_documents_are_refused(): void
    {
        foreach (
            [
                '<a><b></a>' => 'no XML',
                '{"a":' => 'no JSON',
                '<a/>' => 'no soil sample',
                '{}' => 'no soil sample',
                '<!DOCTYPE a [<!ENTITY b "c">]><a>&b;</a>' => 'entities of its own',
                str_repeat('{"a":', 200) => 'no JSON',
            ] as $text => $words
        ) {
            try {
                Interchange::records($text);
                self::fail("{$text} was accepted.");
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }
}
