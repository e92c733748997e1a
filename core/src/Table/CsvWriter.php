<?php

declare(strict_types=1);

namespace HonestCore\Table;

/**
 * Writes CSV as RFC 4180 has it, with lines ending in CRLF. Text that a spreadsheet would take for a formula gets an
 * apostrophe before it; numbers stay numbers.
 */
final class CsvWriter
{
    /** @param iterable<list<string|int|float|null>> $rows */
    public static function of(iterable $rows): string
    {
        $text = '';
        foreach ($rows as $row) {
            $text .= self::line($row);
        }

        return $text;
    }

    /** @param list<string|int|float|null> $row */
    public static function line(array $row): string
    {
        return implode(',', array_map(self::cell(...), $row))."\r\n";
    }

    private static function cell(string|int|float|null $value): string
    {
        if (! is_string($value)) {
            return (string) $value;
        }
        $safe = preg_match('/^[=+\-@\t\r]/', $value) === 1 && ! is_numeric($value) ? "'{$value}" : $value;

        return preg_match('/[",\r\n]/', $safe) === 1 ? '"'.str_replace('"', '""', $safe).'"' : $safe;
    }
}
