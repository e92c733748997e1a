<?php

declare(strict_types=1);

namespace HonestCore\Table;

/**
 * Writes CSV as RFC 4180 has it, with lines ending in CRLF, or in another form that was chosen. Text that a spreadsheet would
 * take for a formula gets an apostrophe before it; numbers stay numbers.
 */
final class CsvWriter
{
    /** @param iterable<list<string|int|float|null>> $rows */
    public static function of(iterable $rows, ?CsvForm $form = null): string
    {
        $form ??= CsvForm::usual();
        $text = $form->begin;
        foreach ($rows as $row) {
            $text .= self::line($row, $form);
        }

        return $text;
    }

    /** @param list<string|int|float|null> $row */
    public static function line(array $row, ?CsvForm $form = null): string
    {
        $form ??= CsvForm::usual();

        return implode(
            $form->separator,
            array_map(static fn (string|int|float|null $value): string => self::cell($value, $form), $row),
        )."\r\n";
    }

    private static function cell(string|int|float|null $value, CsvForm $form): string
    {
        if (! is_string($value)) {
            return is_float($value) ? str_replace('.', $form->decimal, (string) $value) : (string) $value;
        }
        $safe = preg_match('/^[=+\-@\t\r]/', $value) === 1 && ! is_numeric($value) ? "'{$value}" : $value;

        return strpbrk($safe, "\"\r\n{$form->separator}") !== false ? '"'.str_replace('"', '""', $safe).'"' : $safe;
    }
}
