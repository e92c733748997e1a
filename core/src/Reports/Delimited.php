<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * Delimited text, parted into cells; each record is known by the line of the file it begins in.
 *
 * Domain: quotes as in RFC 4180; a quote inside an unquoted cell is a letter like others, as in 5".
 * Source: RFC 4180.
 */
final class Delimited
{
    private const MOST_CELLS = 4000;

    private const MOST_ROWS = 120_000;

    /**
     * @param string $text with line feeds alone
     * @param non-empty-string $delimiter
     * @return array<int, list<string>> records that are not empty, by line, from 1
     *
     * @throws BadTable for a quote that is never closed, too many rows or cells
     */
    public static function records(string $text, string $delimiter, int $most = PHP_INT_MAX): array
    {
        [$records, $line, $lines] = [[], 0, explode("\n", $text)];
        $count = count($lines);
        while ($line < $count) {
            $at = $line + 1;
            $row = $lines[$line++];
            if (! str_contains($row, '"')) {
                $cells = explode($delimiter, $row);
            } else {
                $cells = self::quoted($row, $delimiter);
                while ($cells === null) {
                    if ($line >= $count) {
                        throw new BadTable('quote_never_closed', ['at' => $at]);
                    }
                    $row .= "\n".$lines[$line++];
                    $cells =
                        strlen($row) > 100_000
                            ? throw new BadTable('quote_too_long', ['at' => $at])
                            : self::quoted($row, $delimiter);
                }
            }
            if (count($cells) > self::MOST_CELLS) {
                throw new BadTable('row_too_wide', [
                    'at' => $at,
                    'count' => count($cells),
                    'most_cells' => self::MOST_CELLS,
                ]);
            }
            if (trim($row, " \t{$delimiter}\"") !== '') {
                $records[$at] = array_map(trim(...), $cells);
                if (count($records) > self::MOST_ROWS) {
                    throw new BadTable('too_many_rows', ['most_rows' => number_format(self::MOST_ROWS)]);
                }
                if (count($records) >= $most) {
                    break;
                }
            }
        }

        return $records;
    }

    /** @return list<string>|null null while a quote is open */
    private static function quoted(string $row, string $delimiter): ?array
    {
        [$cells, $at, $length] = [[], 0, strlen($row)];
        while (true) {
            $start = $at + strspn($row, ' ', $at);
            if ($start < $length && $row[$start] === '"') {
                [$cell, $at] = ['', $start + 1];
                while (true) {
                    $end = strpos($row, '"', $at);
                    if ($end === false) {
                        return null;
                    }
                    $cell .= substr($row, $at, $end - $at);
                    $at = $end + 1;
                    if ($at < $length && $row[$at] === '"') {
                        $cell .= '"';
                        $at++;

                        continue;
                    }
                    break;
                }
                $next = strpos($row, $delimiter, $at);
                $cells[] = $cell.substr($row, $at, ($next === false ? $length : $next) - $at);
            } else {
                $next = strpos($row, $delimiter, $at);
                $cells[] = substr($row, $at, ($next === false ? $length : $next) - $at);
            }
            if ($next === false) {
                return $cells;
            }
            $at = $next + strlen($delimiter);
        }
    }
}
