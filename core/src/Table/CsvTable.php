<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;

/**
 * A small table read from comma- or semicolon-separated text with a header.
 *
 * Domain: UTF-8 with or without a byte order mark, LF or CRLF, quotes as in RFC 4180; columns in any order,
 *   names matched without regard to case; blank lines are passed over. Rows are numbered as lines of a
 *   spreadsheet, the header being row 1.
 * Source: RFC 4180.
 */
final readonly class CsvTable
{
    /**
     * @param list<string> $columns
     * @param array<int, array<string, string>> $rows by row number
     */
    private function __construct(public array $columns, public array $rows) {}

    /**
     * @param list<string> $required
     *
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text, array $required): self
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        if (preg_match('//u', $text) !== 1) {
            throw BadTable::because('the file is not UTF-8 text', 'UTF-8 with or without a byte order mark');
        }
        $records = self::records($text);
        $at = array_key_first($records);
        $accepted = 'a header with the columns '.implode(', ', $required);
        if ($at === null) {
            throw BadTable::because('the file is empty', $accepted);
        }
        $columns = array_map(static fn (string $cell): string => mb_strtolower(trim($cell)), $records[$at]);
        foreach ($required as $name) {
            if (! in_array($name, $columns, true)) {
                throw BadTable::because("row 1: the column {$name} is missing", $accepted);
            }
        }
        $named = array_filter($columns, static fn (string $name): bool => $name !== '');
        if (count(array_unique($named)) < count($named)) {
            throw BadTable::because('row 1: a column name stands twice', $accepted);
        }
        unset($records[$at]);
        if ($records === []) {
            throw BadTable::because('there is a header and no rows', $accepted.' and a row for each reading');
        }
        $rows = [];
        foreach ($records as $row => $cells) {
            $rows[$row] = self::named($row, $columns, $cells);
        }

        return new self($columns, $rows);
    }

    public function has(string $column): bool
    {
        return in_array($column, $this->columns, true);
    }

    /**
     * @return array<int, list<string>> records by row number
     *
     * @throws BadTable
     */
    private static function records(string $text): array
    {
        if (substr_count($text, '"') % 2 === 1) {
            throw BadTable::because('a quotation mark is not closed', 'quotes in pairs, doubled inside a cell');
        }
        $header = strtok(ltrim($text), "\r\n");
        $separator = $header !== false && substr_count($header, ';') > substr_count($header, ',') ? ';' : ',';
        $stream = fopen('php://temp', 'r+b');
        if ($stream === false) {
            throw BadTable::because('no memory is left to read the file', 'a smaller file');
        }
        fwrite($stream, $text);
        rewind($stream);
        [$records, $row] = [[], 0];
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            $row++;
            if ($cells !== [null] && trim(implode('', $cells)) !== '') {
                $records[$row] = array_map(strval(...), $cells);
            }
        }
        fclose($stream);

        return $records;
    }

    /**
     * @param list<string> $columns
     * @param list<string> $cells
     * @return array<string, string>
     *
     * @throws BadRow
     */
    private static function named(int $row, array $columns, array $cells): array
    {
        $count = count($columns);
        if (count($cells) > $count && trim(implode('', array_slice($cells, $count))) !== '') {
            throw BadRow::at(
                $row,
                'it has '.count($cells)." cells and the header {$count}",
                'a cell for each column',
            );
        }
        $named = [];
        foreach ($columns as $i => $name) {
            $named[$name] = trim($cells[$i] ?? '');
        }

        return $named;
    }
}
