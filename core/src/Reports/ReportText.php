<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * A delimited file of any lab, made into rows of cells: its character set, delimiter and header are found out.
 *
 * Domain: UTF-8 with or without byte order mark, UTF-16 with one, else Windows-1252; delimiter comma, semicolon, tab or
 *   bar; quotes as in RFC 4180; title rows above the header and blank lines are passed over.
 * Source: RFC 4180.
 */
final readonly class ReportText
{
    private const DELIMITERS = [',', ';', "\t", '|'];

    private const LOOKED_AT = 40;

    private const MOST_CELLS = 400;

    private const MOST_ROWS = 120_000;

    /**
     * @param list<string> $columns names of the header, made different where the file repeats one
     * @param array<int, list<string>> $rows by the row of the file, from 1
     */
    private function __construct(public string $charset, public string $delimiter, public int $headerRow, public array $columns, public array $rows, public bool $decimalComma) {}

    /**
     * @param int|null $headerRow the row that a person said to be the header
     *
     * @throws BadTable
     */
    public static function read(string $bytes, ?int $headerRow = null): self
    {
        [$text, $charset] = self::decoded($bytes);
        $delimiter = self::delimiter($text);

        return self::ofRecords(self::records($text, $delimiter), $charset, $delimiter, $headerRow);
    }

    /**
     * Rows that were read elsewhere, as by a spreadsheet library.
     *
     * @param array<int, list<string>> $records by row number, from 1
     *
     * @throws BadTable
     */
    public static function ofRecords(array $records, string $charset = 'UTF-8', string $delimiter = '', ?int $headerRow = null): self
    {
        if ($records === []) {
            throw BadTable::because('the file holds no row with anything in it', 'a header and a row for each sample or result');
        }
        $at = $headerRow ?? self::headerOf($records);
        if (! isset($records[$at])) {
            throw BadTable::because("row {$at} is empty or not there", 'a header row with the names of the columns');
        }
        $columns = self::different($records[$at]);
        $rows = array_filter($records, static fn (int $row): bool => $row > $at, ARRAY_FILTER_USE_KEY);
        if ($rows === []) {
            throw BadTable::because("there is no row below the header in row {$at}", 'a row for each sample or result');
        }

        return new self($charset, $delimiter, $at, $columns, array_map(static fn (array $cells): array => array_slice(array_pad($cells, count($columns), ''), 0, count($columns)), $rows), self::hasDecimalComma($rows, $delimiter));
    }

    /**
     * @return array{string, string} UTF-8 text and the character set it came in
     *
     * @throws BadTable
     */
    private static function decoded(string $bytes): array
    {
        foreach (["\xEF\xBB\xBF" => 'UTF-8', "\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $charset) {
            if (str_starts_with($bytes, $mark)) {
                $text = (string) mb_convert_encoding(substr($bytes, strlen($mark)), 'UTF-8', $charset);

                return [self::printable($text), $charset];
            }
        }
        $charset = mb_check_encoding($bytes, 'UTF-8') ? 'UTF-8' : 'Windows-1252';

        return [self::printable($charset === 'UTF-8' ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252')), $charset];
    }

    /** @throws BadTable */
    private static function printable(string $text): string
    {
        if (trim($text) === '') {
            throw BadTable::because('the file is empty', 'a header and a row for each sample or result');
        }
        if (preg_match('/[\x00-\x08\x0E-\x1F]/', $text) === 1 || ! mb_check_encoding($text, 'UTF-8')) {
            throw BadTable::because('the file is no text', 'CSV as text; open a spreadsheet file as one');
        }

        return str_replace("\r", "\n", str_replace("\r\n", "\n", $text));
    }

    /** The delimiter that parts the first rows most and most evenly. */
    private static function delimiter(string $text): string
    {
        $lines = array_slice(array_filter(explode("\n", $text), static fn (string $line): bool => trim($line) !== ''), 0, self::LOOKED_AT);
        $best = [0.0, ','];
        foreach (self::DELIMITERS as $delimiter) {
            $counts = array_map(static fn (string $line): int => substr_count((string) preg_replace('/"[^"]*"/', '', $line), $delimiter), $lines);
            sort($counts);
            $middle = $counts[intdiv(count($counts), 2)] ?? 0;
            $alike = count(array_filter($counts, static fn (int $count): bool => $count === $middle));
            $best = $middle * $alike > $best[0] ? [(float) $middle * $alike, $delimiter] : $best;
        }

        return $best[1];
    }

    /**
     * @return array<int, list<string>>
     *
     * @throws BadTable
     */
    private static function records(string $text, string $delimiter): array
    {
        $stream = fopen('php://temp', 'r+b');
        if ($stream === false) {
            throw BadTable::because('no memory is left to read the file', 'a smaller file');
        }
        fwrite($stream, $text);
        rewind($stream);
        [$records, $row] = [[], 0];
        while (($cells = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            $row++;
            if ($row > self::MOST_ROWS) {
                fclose($stream);
                throw BadTable::because('the file has more than '.number_format(self::MOST_ROWS).' rows', 'a file in parts');
            }
            if (count($cells) > self::MOST_CELLS) {
                fclose($stream);
                throw BadTable::because("row {$row} has ".count($cells).' cells', 'up to '.self::MOST_CELLS.' columns');
            }
            $cells = array_map(static fn (?string $cell): string => trim((string) $cell), $cells);
            if (implode('', $cells) !== '') {
                $records[$row] = $cells;
            }
        }
        fclose($stream);

        return $records;
    }

    /**
     * The header: the first of the early rows that names the most columns in words and has rows as wide below it.
     *
     * @param non-empty-array<int, list<string>> $records
     */
    private static function headerOf(array $records): int
    {
        $best = [-1, array_key_first($records)];
        foreach (array_slice($records, 0, self::LOOKED_AT, true) as $row => $cells) {
            $names = count(array_filter($cells, static fn (string $cell): bool => $cell !== '' && ! is_numeric(str_replace(',', '.', $cell))));
            $values = count(array_filter($cells, static fn (string $cell): bool => is_numeric(str_replace(',', '.', $cell))));
            $score = $names - 2 * $values;
            $best = $score > $best[0] && $names > 0 ? [$score, $row] : $best;
        }

        return $best[1];
    }

    /**
     * @param list<string> $header
     * @return list<string>
     */
    private static function different(array $header): array
    {
        [$columns, $seen] = [[], []];
        foreach ($header as $i => $name) {
            $name = $name === '' ? 'column '.($i + 1) : mb_substr($name, 0, 80);
            $key = mb_strtolower($name);
            $seen[$key] = ($seen[$key] ?? 0) + 1;
            $columns[] = $seen[$key] === 1 ? $name : "{$name} ({$seen[$key]})";
        }

        return $columns;
    }

    /**
     * Commas inside numbers, and no point in any: a file with commas for delimiters has none of them.
     *
     * @param array<int, list<string>> $rows
     */
    private static function hasDecimalComma(array $rows, string $delimiter): bool
    {
        [$commas, $points] = [0, 0];
        foreach (array_slice($rows, 0, self::LOOKED_AT) as $cells) {
            foreach ($cells as $cell) {
                $commas += preg_match('/^[<>+-]?\s*\d{1,6},\d{1,6}\b/', $cell);
                $points += preg_match('/^[<>+-]?\s*\d+\.\d+\b/', $cell);
            }
        }

        return $delimiter !== ',' && $commas > 0 && $points === 0;
    }
}
