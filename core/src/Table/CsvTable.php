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
        [$columns, $rows] = self::streamed($text, $required);

        return new self($columns, iterator_to_array($rows));
    }

    /**
     * The same row by row, for tables that need not be in memory whole.
     *
     * @param list<string> $required
     * @return array{list<string>, \Generator<int, array<string, string>>} columns, and rows by row number
     *
     * @throws BadTable
     * @throws BadRow
     */
    public static function streamed(string $text, array $required): array
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        if (preg_match('//u', $text) !== 1) {
            throw new BadTable('file_not_utf_8_text');
        }
        $records = self::records($text);
        $asked = ['columns' => implode(', ', $required)];
        if (! $records->valid()) {
            throw new BadTable('table_empty', $asked);
        }
        $columns = array_map(static fn (string $cell): string => mb_strtolower(trim($cell)), $records->current());
        foreach ($required as $name) {
            if (! in_array($name, $columns, true)) {
                throw new BadTable('column_missing', ['name' => $name] + $asked);
            }
        }
        $named = array_filter($columns, static fn (string $name): bool => $name !== '');
        if (count(array_unique($named)) < count($named)) {
            throw new BadTable('column_twice', $asked);
        }
        $records->next();
        if (! $records->valid()) {
            throw new BadTable('header_without_rows', $asked);
        }

        return [$columns, self::rows($records, $columns)];
    }

    /**
     * @param \Generator<int, list<string>> $records
     * @param list<string> $columns
     * @return \Generator<int, array<string, string>>
     *
     * @throws BadRow
     */
    private static function rows(\Generator $records, array $columns): \Generator
    {
        for (; $records->valid(); $records->next()) {
            yield $records->key() => self::named($records->key(), $columns, $records->current());
        }
    }

    public function has(string $column): bool
    {
        return in_array($column, $this->columns, true);
    }

    /**
     * @return \Generator<int, list<string>> records by row number
     *
     * @throws BadTable
     */
    private static function records(string $text): \Generator
    {
        if (substr_count($text, '"') % 2 === 1) {
            throw new BadTable('quotation_mark_not_closed');
        }
        $header = strtok(ltrim($text), "\r\n");
        $separator = $header !== false && substr_count($header, ';') > substr_count($header, ',') ? ';' : ',';
        $stream = fopen('php://temp', 'r+b');
        if ($stream === false) {
            throw new BadTable('no_memory_left');
        }
        fwrite($stream, $text);
        rewind($stream);
        $row = 0;
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            $row++;
            if ($cells !== [null] && trim(implode('', $cells)) !== '') {
                yield $row => array_map(strval(...), $cells);
            }
        }
        fclose($stream);
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
            throw new BadRow('cells_unlike_header', [
                'place' => $row,
                'cells' => count($cells),
                'columns' => $count,
            ]);
        }
        $named = [];
        foreach ($columns as $i => $name) {
            $named[$name] = trim($cells[$i] ?? '');
        }

        return $named;
    }
}
