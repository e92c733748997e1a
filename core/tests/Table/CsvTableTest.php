<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Agreement\Bands;
use HonestCore\Agreement\EvidenceTable;
use HonestCore\Agreement\Scale;
use HonestCore\Error\BadTable;
use HonestCore\Error\CoreError;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(EvidenceTable::class)]
#[CoversClass(BadTable::class)]
final class CsvTableTest extends TestCase
{
    public function test_marks_separators_line_ends_and_quotes_are_taken_as_they_come(): void
    {
        $plain = CsvTable::parse("sample,ph\nA,6.1\nB,5.9\n", ['sample']);
        $other = CsvTable::parse("\xEF\xBB\xBFPH;Sample\r\n6.1;\"A\"\r\n\r\n5.9;B", ['sample']);

        self::assertSame([2 => ['sample' => 'A', 'ph' => '6.1'], 3 => ['sample' => 'B', 'ph' => '5.9']], $plain->rows);
        self::assertSame([2 => ['ph' => '6.1', 'sample' => 'A'], 4 => ['ph' => '5.9', 'sample' => 'B']], $other->rows);
    }

    public function test_a_quoted_cell_may_hold_separators_and_quotes(): void
    {
        $table = CsvTable::parse("sample,note\nA,\"wet, \"\"very\"\" wet\"\n", ['sample']);

        self::assertSame('wet, "very" wet', $table->rows[2]['note']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        yield 'empty' => ['', 'the file is empty'];
        yield 'only a header' => ["sample,ph\n", 'a header and no rows'];
        yield 'no such column' => ["code,ph\nA,6\n", 'the column sample is missing'];
        yield 'a column twice' => ["sample,ph,ph\nA,6,6\n", 'a column name stands twice'];
        yield 'too many cells' => ["sample,ph\nA,6,7\n", 'row 2: it has 3 cells'];
        yield 'not UTF-8' => ["sample,ph\n\xE9,6\n", 'not UTF-8'];
        yield 'an open quote' => ["sample,ph\n\"A,6\n", 'a quotation mark is not closed'];
    }

    #[DataProvider('broken')]
    public function test_it_is_refused_with_the_place(string $text, string $words): void
    {
        try {
            CsvTable::parse($text, ['sample']);
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
            self::assertStringContainsString('; accepted is ', $error->getMessage());
        }
    }

    public function test_numbers_have_a_decimal_point_and_nothing_else(): void
    {
        foreach (['6.1' => 6.1, ' -3 ' => -3.0, '1e-3' => 0.001, '.5' => 0.5] as $text => $value) {
            self::assertSame($value, Number::parse((string) $text));
        }
        foreach (['', '6,1', '1 000', '0x1A', 'NaN', 'INF', '1e999', '6.1 pH'] as $text) {
            self::assertNull(Number::parse($text), $text);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function evidence(): iterable
    {
        yield 'an empty number' => ["sample,reference,test\nA,,6\n", 'row 2: reference is an empty cell'];
        yield 'a word' => ["sample,reference,test\nA,6,6\nB,6,high\n", 'row 3: test is "high"'];
        yield 'a sample twice' => ["sample,reference,test\nA,6,6\nA,6,6.1\n", 'row 3: sample A stands on several rows'];
        yield 'two references' => [
            "sample,reference,test,replicate\nA,6,6,1\nA,6.2,6.1,2\n",
            'row 3: sample A has another reference',
        ];
        yield 'no sample' => ["sample,reference,test\n,6,6\n", 'row 2: the sample is empty'];
    }

    #[DataProvider('evidence')]
    public function test_evidence_names_the_row(string $text, string $words): void
    {
        $this->expectExceptionMessage($words);

        EvidenceTable::parse($text, Scale::Absolute, null);
    }

    public function test_flagged_rows_are_left_out_unread(): void
    {
        $table = EvidenceTable::parse("sample,reference,test,flag\nA,6,6,\nB,?,,spilled\n", Scale::Absolute, null);

        self::assertCount(1, $table->samples);
        self::assertSame(1, $table->leftOut);
    }

    public function test_nothing_or_less_has_no_logarithm_and_an_unknown_band_is_named(): void
    {
        try {
            EvidenceTable::parse("sample,reference,test\nA,0,6\n", Scale::Ratio, null);
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString('above 0 on the ratio scale', $error->getMessage());
        }
        $this->expectExceptionMessage('a band name: Low, High');
        EvidenceTable::parse("sample,reference,test\nA,5,Middle\n", Scale::Absolute, Bands::parse('Low:0:6,High:6:'));
    }
}
