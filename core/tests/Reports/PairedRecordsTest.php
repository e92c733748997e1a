<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Agreement\Bands;
use HonestCore\Error\CoreError;
use HonestCore\Reports\PairedRecords;
use HonestCore\Reports\RecordMapping;
use HonestCore\Reports\RecordRow;
use HonestCore\Reports\ReportTable;
use HonestCore\Reports\ReportText;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(RecordMapping::class)]
#[CoversClass(RecordRow::class)]
final class PairedRecordsTest extends TestCase
{
    public function test_columns_are_guessed_by_their_names_each_for_one_thing(): void
    {
        $guess = RecordMapping::guessed(['Date', 'Garden sample', 'Lab result pH', 'Kit colour', 'Kit lot', 'Read by']);

        self::assertSame([1, 2, 3, 0, 4, 5], [$guess->sample, $guess->reference, $guess->test, $guess->date, $guess->lot, $guess->reader]);
        self::assertNull(RecordMapping::guessed(['A', 'B', 'C'])->sample, 'nothing is guessed where nothing fits');
        self::assertEquals($guess, RecordMapping::fromRow($guess->toRow()));
    }

    public function test_numbers_are_turned_into_the_home_unit_and_never_without_one(): void
    {
        $text = "Sample,Lab P lb/acre,Kit P,Year\nA,60,28,2023\nB,44,25,2023\n";
        $said = new RecordMapping(0, 1, 2, 3);
        self::assertSame(
            ['In which unit did the lab report? It is never assumed.', 'In which unit did the test read? It is never assumed.'],
            $said->asks('p', false),
        );
        self::assertSame([], self::read($text, $said, 'p')->rows);
        $mixed = new RecordMapping(0, 1, 2, 3, referenceUnit: 'percent', testUnit: 'ppm');
        self::assertEqualsWithDelta(0.002, self::read(str_replace('60', '0.0000002', $text), $mixed, 'p')->rows[0]->reference, 1e-9);
        $this->expectException(CoreError::class);
        self::read($text, new RecordMapping(0, 1, 2, 3, referenceUnit: 'dS/m', testUnit: 'ppm'), 'p');
    }

    /** @return iterable<string, array{string, string, string|null, int|null}> cell, order, day and year; null where refused */
    public static function days(): iterable
    {
        yield 'a day as the standard has it' => ['2024-05-17', 'ymd', '2024-05-17', 2024];
        yield 'a year alone' => ['2024', 'ymd', null, 2024];
        yield 'day first' => ['17.5.2024', 'dmy', '2024-05-17', 2024];
        yield 'month first' => ['5/17/2024', 'mdy', '2024-05-17', 2024];
        yield 'two digits of the year' => ['5/17/24', 'mdy', '2024-05-17', 2024];
        yield 'three pairs of figures, of any order' => ['04/05/06', 'ymd', null, null];
        yield 'two figures of a year of before' => ['17.5.98', 'dmy', '1998-05-17', 1998];
        yield 'two figures of a year of now' => ['17.5.24', 'dmy', '2024-05-17', 2024];
        yield 'a day with letters after it' => ['2024-05-17th', 'ymd', null, null];
        yield 'no day of that month' => ['31.4.2024', 'dmy', null, null];
        yield 'the wrong order' => ['17/5/2024', 'mdy', null, null];
        yield 'words' => ['last spring', 'ymd', null, null];
        yield 'nothing' => ['', 'ymd', null, null];
    }

    #[DataProvider('days')]
    public function test_days_are_read_in_the_order_that_was_chosen(string $cell, string $order, ?string $day, ?int $year): void
    {
        $found = self::read("Sample,Lab,Kit,Day\nA,6.1,6.2,{$cell}\nB,6.1,6.2,2020\n", new RecordMapping(0, 1, 2, 3, order: $order), 'ph');
        $first = $found->rows[0];

        self::assertSame($year === null ? 'B' : 'A', $first->sample);
        self::assertSame($year === null ? [2] : [], array_column($found->leftOut, 'row'));
        if ($year !== null) {
            self::assertSame([$day, $year], [$first->on, $first->year]);
        }
    }

    public function test_a_day_to_come_is_no_day_of_a_record(): void
    {
        $text = "Sample,Lab,Kit,Day\nA,6.1,6.2,2062-05-17\nB,6.1,6.2,2026-05-17\nC,6.1,6.2,2027\n";
        $table = ReportTable::of(ReportText::read($text)->records);
        $as = new RecordMapping(0, 1, 2, 3);
        $of = static fn (?string $until): PairedRecords => PairedRecords::of($table, $as, 'ph', null, null, $until);

        self::assertSame(['B'], array_column($of('2026-11-29')->rows, 'sample'));
        self::assertSame('its day (2062-05-17) is still to come', $of('2026-11-29')->leftOut[0]['reason']);
        self::assertCount(3, $of(null)->rows);
    }

    public function test_bands_are_known_by_name_or_figure_and_replicates_stay_together(): void
    {
        $bands = Bands::parse('5.5:5.25:5.75,6.0:5.75:6.25,High:6.25:7');
        $text = "S,Lab,Kit\nA,5.6,5.50\nA,5.6,6\nB,6.4,high\nC,6.4,6.3\n";
        $found = self::read($text, new RecordMapping(0, 1, 2, year: 2022), 'ph', $bands);

        self::assertSame(['5.5', '6.0', 'High'], array_map(static fn (RecordRow $row): ?string => $row->band, $found->rows));
        self::assertSame(['A', 'A', 'B'], array_map(static fn (RecordRow $row): string => $row->sample, $found->rows));
        self::assertSame([5], array_column($found->leftOut, 'row'));
    }

    public function test_a_comma_that_could_be_two_things_is_asked_about_and_said(): void
    {
        $text = "S;Lab P;Kit P\nA;1,200;1,100\nB;2,300;2,100\n";
        $said = new RecordMapping(0, 1, 2, year: 2022, referenceUnit: 'ppm', testUnit: 'ppm');
        $open = self::read($text, $said, 'k');
        self::assertTrue($open->unsettled);
        self::assertSame([], $open->rows);
        self::assertSame(1.2, self::read($text, $said, 'k', null, true)->rows[0]->reference);
        self::assertSame(1200.0, self::read($text, $said, 'k', null, false)->rows[0]->reference);
    }

    public function test_a_mapping_that_cannot_be_is_refused(): void
    {
        foreach ([new RecordMapping(0, 0, 1, year: 2022), new RecordMapping(0, 1, 7, year: 2022), new RecordMapping(0, 1, 2, year: 20),
            new RecordMapping(0, 1, 2, year: 2022, order: 'xyz')] as $bad) {
            try {
                self::read("S,Lab,Kit\nA,6,6\n", $bad, 'ph');
                self::fail('It was taken.');
            } catch (CoreError) {
                self::addToAssertionCount(1);
            }
        }
    }

    private static function read(
        string $text,
        RecordMapping $mapping,
        string $analyte,
        ?Bands $bands = null,
        ?bool $comma = null,
    ): PairedRecords {
        return PairedRecords::of(ReportTable::of(ReportText::read($text)->records), $mapping, $analyte, $bands, $comma);
    }
}
