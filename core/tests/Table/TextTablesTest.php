<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Error\CoreError;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;
use HonestCore\Table\RuleTable;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Text made at random by RFC 4180 is read back cell by cell, numbers as they were written, and rule tables name their
 * source.
 */
#[CoversClass(Number::class)]
#[CoversClass(RuleTable::class)]
final class TextTablesTest extends TestCase
{
    private const PIECES = ['6.1', 'lime', ' ', '"', ',', ';', "\n", "\r\n", 'é', '0', '-', "it's", '""', '=1+1', "\t"];

    public function test_whatever_is_in_a_cell_comes_back(): void
    {
        mt_srand(81);
        for ($i = 0; $i < 300; $i++) {
            [$columns, $separator, $end] = [mt_rand(1, 5), [',', ';'][$i % 2], ["\n", "\r\n"][intdiv($i, 2) % 2]];
            $names = array_map(static fn (int $c): string => "column {$c}", range(1, $columns));
            [$rows, $expected, $row] = [[self::line($names, $separator)], [], 1];
            for ($r = mt_rand(1, 6); $r > 0; $r--) {
                $cells = array_map(static fn (): string => self::cell(), $names);
                $cells[0] = 'x'.$cells[0];
                $row++;
                $rows[] = self::line($cells, $separator);
                $expected[$row] = array_combine($names, array_map(trim(...), $cells));
                if (mt_rand(0, 4) === 0) {
                    $rows[] = '';
                    $row++;
                }
            }
            $table = CsvTable::parse(implode($end, $rows).($i % 3 === 0 ? $end : ''), $names);
            self::assertSame($names, $table->columns);
            self::assertSame(
                $expected,
                array_map(static fn (array $cells): array => array_map(trim(...), $cells), $table->rows),
                "table {$i}",
            );
            self::assertTrue($table->has($names[$columns - 1]));
            self::assertFalse($table->has('another'));
        }
    }

    public function test_numbers_are_read_as_they_were_written(): void
    {
        mt_srand(82);
        for ($i = 0; $i < 500; $i++) {
            $value = (mt_rand() / mt_getrandmax() - 0.5) * 10 ** mt_rand(-12, 12);
            foreach (
                [(string) json_encode($value), sprintf('%.17e', $value), ' '.sprintf('%.10f', $value)." \n"] as $k => $text
            ) {
                self::assertEqualsWithDelta(
                    $value,
                    Number::parse($text),
                    max($k === 2 ? 5.1e-11 : 0.0, abs($value) * 1e-15),
                    $text,
                );
            }
        }
        self::assertSame([5.0, 0.5, -3.0, 7.0, 1000.0], array_map(Number::parse(...), ['5.', '.5', '-3', '+7', '1e3']));
    }

    /** @return iterable<string, array{string}> */
    public static function noNumbers(): iterable
    {
        foreach (
            [
                '',
                ' ',
                '.',
                '-',
                '+',
                'e5',
                '1e',
                '1e+',
                '1,5',
                '1 000',
                "1'000",
                '0x1F',
                '1.2.3',
                '--1',
                'NaN',
                'INF',
                '1e999',
                '-1e999',
                "1\n2",
                '５',
                '1/2',
                '10 %',
                'true',
            ] as $text
        ) {
            yield "\"{$text}\"" => [$text];
        }
    }

    #[DataProvider('noNumbers')]
    public function test_what_is_no_number_is_none(string $text): void
    {
        self::assertNull(Number::parse($text));
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'nothing' => ['', 'the file is empty'];
        yield 'blank lines' => ["\n\n \n", 'the file is empty'];
        yield 'a header alone' => ["a,b\n", 'a header and no rows'];
        yield 'a header and blank lines' => ["a,b\n\n,\n", 'a header and no rows'];
        yield 'a column too few' => ["a,c\n1,2\n", 'the column b is missing'];
        yield 'a column twice' => ["a,b,A\n1,2,3\n", 'stands twice'];
        yield 'a cell too many' => ["a,b\n1,2,3\n", 'row 2'];
        yield 'an open quote' => ["a,b\n1,\"2\n", 'is not closed'];
        yield 'no text' => ["a,b\n1,\xFF\n", 'not UTF-8'];
    }

    #[DataProvider('faults')]
    public function test_a_fault_is_told_with_what_is_accepted(string $text, string $words): void
    {
        try {
            CsvTable::parse($text, ['a', 'b']);
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
        }
    }

    public function test_every_rule_table_is_read_and_names_its_source(): void
    {
        $files = glob(__DIR__.'/../../data/*.json') ?: [];
        self::assertGreaterThan(40, count($files));
        foreach ($files as $file) {
            $source = RuleTable::named(basename($file, '.json'))['source'];
            self::assertIsString($source);
            self::assertGreaterThan(30, strlen($source), basename($file).' says where it is from');
        }
        foreach (['nothing', '../composer', 'Policies', 'policies.json', ''] as $name) {
            try {
                RuleTable::named($name);
                self::fail("\"{$name}\" was read");
            } catch (CoreError $error) {
                self::assertStringContainsString('cannot be read', $error->getMessage());
            }
        }
    }

    private static function cell(): string
    {
        return implode(
            '',
            array_map(
                static fn (): string => self::PIECES[mt_rand(0, count(self::PIECES) - 1)],
                range(0, mt_rand(0, 4)),
            ),
        );
    }

    /** @param list<string> $cells */
    private static function line(array $cells, string $separator): string
    {
        return implode(
            $separator,
            array_map(
                static fn (string $cell): string => preg_match('/[",;\r\n]/', $cell) === 1 || mt_rand(0, 3) === 0
                    ? '"'.str_replace('"', '""', $cell).'"'
                    : $cell,
                $cells,
            ),
        );
    }
}
