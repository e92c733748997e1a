<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Table\CsvForm;
use HonestCore\Table\CsvWriter;
use PHPUnit\Framework\TestCase;

final class CsvFormTest extends TestCase
{
    public function test_another_form_parts_by_other_signs_and_quotes_them_alone(): void
    {
        $row = ['a;b', 'c,d', 6.25, 3, "tab\there", null];

        self::assertSame("\"a;b\";c,d;6,25;3;tab\there;\r\n", CsvWriter::line($row, CsvForm::named(CsvForm::SEMICOLON, false)));
        self::assertSame("a;b\tc,d\t6.25\t3\t\"tab\there\"\t\r\n", CsvWriter::line($row, CsvForm::named(CsvForm::TAB, false)));
        self::assertSame("a;b,\"c,d\",6.25,3,tab\there,\r\n", CsvWriter::line($row));
        self::assertSame("\xEF\xBB\xBFx\r\n", CsvWriter::of([['x']], CsvForm::named(CsvForm::COMMA, true)));
    }

    public function test_no_other_name_is_a_form(): void
    {
        self::assertEquals(CsvForm::usual(), CsvForm::named('pipe', false));
        $separator = static fn (string $name): string => CsvForm::named($name, false)->separator;
        self::assertSame([',', ';', "\t"], array_map($separator, CsvForm::NAMES));
    }
}
