<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\AskedResult;
use HonestCore\Reports\BatchQuestions;
use HonestCore\Reports\BatchSample;
use HonestCore\Reports\ControlChart;
use HonestCore\Reports\DuplicateLimit;
use HonestCore\Reports\Interchange;
use HonestCore\Reports\NumberStyle;
use HonestCore\Reports\Question;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportReading;
use HonestCore\Reports\ReportTable;
use HonestCore\Reports\ReportText;
use HonestCore\Reports\SampleQuestions;
use HonestCore\Reports\SeriesHistory;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Just where a question begins, which results it names, and which row of a file is its header. */
#[CoversClass(DuplicateLimit::class)]
#[CoversClass(NumberStyle::class)]
#[CoversClass(ReportedValue::class)]
#[CoversClass(SampleQuestions::class)]
final class BoundariesTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, float>, list<string>}> results by series, and the series of the one
     *                                                                     question, none for no question
     */
    public static function edges(): iterable
    {
        yield 'texture two off' => [['sand' => 60.0, 'silt' => 25.0, 'clay' => 13.0], []];
        yield 'texture more than two off' => [
            ['sand' => 60.0, 'silt' => 25.0, 'clay' => 12.9],
            ['sand', 'silt', 'clay'],
        ];
        // 2004 ppm of calcium are 10.0 cmol/kg (40.078 g/mol over 2), 243.05 ppm of magnesium 2.0.
        yield 'bases a tenth over the capacity' => [['ca' => 2003.9, 'mg' => 243.05, 'cec' => 10.91], []];
        yield 'bases more than a tenth over' => [['ca' => 2003.9, 'mg' => 243.05, 'cec' => 10.9], ['ca', 'mg', 'cec']];
        yield 'one base says nothing' => [['ca' => 9000.0, 'cec' => 10.0], []];
        yield 'a capacity of nothing says nothing' => [['ca' => 2003.9, 'mg' => 243.05, 'cec' => 0.0], []];
        yield 'saturations of 105' => [['k_sat' => 5.0, 'ca_sat' => 80.0, 'mg_sat' => 20.0], []];
        yield 'saturations past 105' => [
            ['k_sat' => 5.1, 'ca_sat' => 80.0, 'mg_sat' => 20.0],
            ['k_sat', 'ca_sat', 'mg_sat'],
        ];
        yield 'a share five off its base' => [['ca_sat' => 95.0, 'ca' => 2003.9, 'cec' => 10.0], []];
        yield 'a share more than five off' => [
            ['ca_sat' => 94.8, 'ca' => 2003.9, 'cec' => 10.0],
            ['ca_sat', 'ca', 'cec'],
        ];
        yield 'base saturation five off' => [
            ['base_sat' => 75.0, 'k_sat' => 5.0, 'ca_sat' => 50.0, 'mg_sat' => 15.0],
            [],
        ];
        yield 'base saturation more than five off' => [
            ['base_sat' => 75.1, 'k_sat' => 5.0, 'ca_sat' => 50.0, 'mg_sat' => 15.0],
            ['base_sat', 'k_sat', 'ca_sat', 'mg_sat'],
        ];
        yield 'hydrogen is no base' => [
            ['base_sat' => 70.0, 'k_sat' => 5.0, 'ca_sat' => 50.0, 'mg_sat' => 15.0, 'h_sat' => 30.0],
            [],
        ];
        yield 'a buffer just below seven' => [['ph' => 6.99, 'buffer_ph' => 7.0], []];
        yield 'a buffer at seven' => [['ph' => 7.0, 'buffer_ph' => 7.1], ['buffer_ph', 'ph']];
        yield 'a buffer that equals its pH' => [['ph' => 6.0, 'buffer_ph' => 6.0], []];
        yield 'a buffer below its pH' => [['ph' => 6.0, 'buffer_ph' => 5.99], ['buffer_ph', 'ph']];
    }

    /**
     * @param array<string, float> $results
     * @param list<string> $series
     */
    #[DataProvider('edges')]
    public function test_a_question_begins_where_it_says_and_names_what_it_is_about(array $results, array $series): void
    {
        $given = [];
        foreach ($results as $analyte => $value) {
            $given[$analyte] = new AskedResult((string) $analyte, $value);
        }
        $found = array_map(
            static fn (Question $question): array => $question->series,
            SampleQuestions::of('QH26-01-4', $given),
        );

        self::assertSame($series === [] ? [] : [$series], $found);
    }

    /** Two of a pair repeat themselves within 2.8 × 0.08 of pH, and exactly that is still within (ISO 5725-6). */
    public function test_duplicates_may_lie_just_the_limit_apart(): void
    {
        self::assertSame(2.8 * 0.08, DuplicateLimit::limit('ph', 6.0, 6.2));
        self::assertEqualsWithDelta(
            2.8 * 0.06 * 50,
            DuplicateLimit::limit('p', 40.0, 60.0),
            1e-12,
            'a share of the mean',
        );
        self::assertNull(DuplicateLimit::question('ph', 'ph', 'a', 6.0, 'b', 6.0 + 2.8 * 0.08));
        self::assertSame(
            [['a', 'b'], ['ph']],
            [
                (DuplicateLimit::question('ph', 'ph', 'a', 6.0, 'b', 6.2241) ?? self::fail('not asked'))->samples,
                (DuplicateLimit::question('ph', 'ph', 'a', 6.3, 'b', 6.0) ?? self::fail('not asked'))->series,
            ],
        );
        self::assertNotNull(
            DuplicateLimit::question('ph', 'ph', 'a', 6.0, 'b', 6.1, 0.02),
            'a lab that is known to repeat itself better',
        );
    }

    public function test_chart_limits_lie_three_sigma_about_the_centre(): void
    {
        $chart = ControlChart::of([6.1, 6.2, 6.4], ['value' => 6.2, 'sigma' => 0.05]);
        self::assertEqualsWithDelta([6.05, 6.35], [$chart->lowerLimit(), $chart->upperLimit()], 1e-12);
        self::assertSame(
            ['at' => 2, 'rule' => 'beyond', 'words' => 'Value 3 lies beyond three sigma.'],
            $chart->signals[0],
        );
        self::assertCount(1, $chart->signals, 'what lies two sigma off by itself says nothing');
        $own = ControlChart::of([6.0, 6.2, 6.1]);
        // Moving ranges of 0.2 and 0.1, and d2 = 1.128 for two (any handbook of control charts).
        self::assertEqualsWithDelta([6.1, 0.15 / 1.128], [$own->centre, $own->sigma], 1e-12);
    }

    /**
     * The more pairs of samples a report has, the less chance may do: a gap that is asked about among two may pass
     * among sixty.
     */
    public function test_an_exchange_must_stand_out_the_more_the_larger_the_report(): void
    {
        $history = [
            'low' => SeriesHistory::of('ph', [5.2, 5.25, 5.3]),
            'high' => SeriesHistory::of('ph', [6.0, 6.05, 6.1]),
            'far' => SeriesHistory::of('ph', [7.9, 7.95, 8.0]),
        ];
        $sample = static fn (string $code, string $ground, float $ph): BatchSample => new BatchSample(
            $code,
            $ground,
            ['ph' => $ph],
            ['ph' => $history[$ground]],
        );
        $exchanged = [$sample('a', 'low', 6.05), $sample('b', 'high', 5.25)];
        [$low, $high] = [$history['low']->expects(), $history['high']->expects()];
        $gain = $low->surprise(6.05) + $high->surprise(5.25) - $high->surprise(6.05) - $low->surprise(5.25);
        $threshold = static fn (int $samples): float => 2 * log(($samples * ($samples - 1)) / 2 / 0.02);
        $asked = [];
        foreach ([2, 3, 8, 30, 150] as $n) {
            $rest = array_map(static fn (int $i): BatchSample => $sample("r{$i}", 'far', 7.95), range(3, max(3, $n)));
            $found = BatchQuestions::swaps([...$exchanged, ...array_slice($rest, 0, $n - 2)]);
            $asked[$n] = $found !== [];
            self::assertSame($gain > $threshold($n), $asked[$n], "{$n} samples: a gain of {$gain} against {$threshold($n)}");
        }
        self::assertSame([2 => true, 3 => true, 8 => true, 30 => false, 150 => false], $asked);
    }

    /** @return iterable<string, array{string, int}> */
    public static function headers(): iterable
    {
        yield 'the first row' => ["Sample,pH\nA,6.1\nB,6.2\n", 1];
        yield 'a title above' => ["Report of the lab\nSample,pH\nA,6.1\n", 2];
        yield 'numbers above, as of a date and an order' => ["2026,118\nSample,pH\nA,6.1\n", 2];
        yield 'decimal commas are numbers too' => ["Sample;pH;P\nA;6,1;30,2\n", 1];
        yield 'blank cells are no names' => ["Lab,,,,\nSample,pH,P,K\nA,6.1,30,90\n", 2];
        yield 'of two rows of words the first' => ["Sample,pH\nA,low\nB,high\n", 1];
    }

    #[DataProvider('headers')]
    public function test_the_header_is_found(string $text, int $row): void
    {
        self::assertSame($row, ReportTable::of(ReportText::read($text)->records)->headerRow);
    }

    public function test_commas_are_decimal_where_no_point_says_otherwise(): void
    {
        $style = static fn (string $text): NumberStyle => ReportReading::of(
            ReportTable::of(ReportText::read($text)->records),
        )->style;
        self::assertSame(',', $style("Sample;pH\nA;6,1\nB;6\n")->mark());
        self::assertSame(
            ['.', true],
            [$style("Sample;pH\nA;6,1\nB;6.2\n")->mark(), $style("Sample;pH\nA;6,1\nB;6.2\n")->isMixed()],
            'a point beside it',
        );
        self::assertSame('.', $style("Sample;pH\nA;6\nB;7\n")->mark(), 'no comma at all');
        self::assertSame(',', $style("Sample,pH\nA,\"6,1\"\n")->mark(), 'commas in quotes');
    }

    public function test_a_range_may_begin_where_it_ends(): void
    {
        $found = ReportedValue::read('5-5', NumberStyle::point());
        self::assertSame([ReportedValue::RANGE, 5.0, 5.0], [$found->kind, $found->number, $found->upper]);
        self::assertSame(ReportedValue::UNREADABLE, ReportedValue::read('6-5', NumberStyle::point())->kind);
    }

    /** A depth is given with its unit, or is in inches where none stands. */
    public function test_depths_of_a_document_keep_their_unit(): void
    {
        foreach (['' => '0-6in', 'CM' => '0-6cm'] as $unit => $depth) {
            $reference =
                ['DepthID' => 1, 'StartingDepth' => 0, 'EndingDepth' => 6] +
                ($unit === '' ? [] : ['DepthUnit' => $unit]);
            $sample = [
                'SampleMetaData' => ['SampleNumber' => '4711'],
                'Depths' => [['DepthID' => 1, 'NutrientResults' => [['Element' => 'pH', 'Value' => 6.1]]]],
            ];
            $rows = Interchange::records(
                (string) json_encode([
                    'Events' => [
                        ['EventSamples' => ['Soil' => ['DepthRefs' => [$reference], 'SoilSamples' => [$sample]]]],
                    ],
                ]),
            );
            self::assertContains($depth, $rows[2], $depth);
        }
    }

    public function test_a_number_may_have_forty_digits_and_no_more(): void
    {
        $style = NumberStyle::of([]);

        self::assertSame(1e39, $style->parse('1'.str_repeat('0', 39)));
        self::assertNull($style->parse('1'.str_repeat('0', 40)));
    }
}
