<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Table\CsvForm;
use HonestCore\Table\CsvTable;
use HonestCore\Table\CsvWriter;
use PHPUnit\Framework\TestCase;

final class CsvWriterTest extends TestCase
{
    public function test_what_is_written_is_read_again(): void
    {
        $cells = ['a "quoted", word', "two\nlines", 'plain', '6.5'];
        $table = CsvTable::parse(CsvWriter::of([['w', 'x', 'y', 'z'], $cells]), ['w']);

        self::assertSame($cells, array_values(array_values($table->rows)[0] ?? []));
    }

    public function test_formulas_are_made_harmless_and_numbers_are_left(): void
    {
        self::assertSame(
            "'=1+1,'@x,'+cmd|x,'-a,-1.5,-0.2,,3\r\n",
            CsvWriter::line(['=1+1', '@x', '+cmd|x', '-a', '-1.5', -0.2, null, 3]),
        );
    }

    public function test_another_form_parts_by_other_signs_and_quotes_them_alone(): void
    {
        $row = ['a;b', 'c,d', 6.25, 3, "tab\there", null];

        self::assertSame("\"a;b\";c,d;6,25;3;tab\there;\r\n", CsvWriter::line($row, CsvForm::named(CsvForm::SEMICOLON, false)));
        self::assertSame("a;b\tc,d\t6.25\t3\t\"tab\there\"\t\r\n", CsvWriter::line($row, CsvForm::named(CsvForm::TAB, false)));
        self::assertSame("a;b,\"c,d\",6.25,3,tab\there,\r\n", CsvWriter::line($row));
        self::assertSame("\xEF\xBB\xBFx\r\n", CsvWriter::of([['x']], CsvForm::named(CsvForm::COMMA, true)));
    }
}
