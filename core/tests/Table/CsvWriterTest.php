<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

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
}
