<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * The bytes of a lab's file, made into records of cells: its character set and delimiter are found out.
 *
 * Domain: UTF-8 with or without byte order mark, UTF-16 with one or seen by its zeros, else Windows-1252; delimiter
 * comma,
 *   semicolon, tab or bar; an HTML table.
 * Source: RFC 4180.
 */
final readonly class ReportText
{
    private const DELIMITERS = [';', "\t", '|', ','];

    private const LOOKED_AT = 40;

    /** @param non-empty-array<int, list<string>> $records by the line of the file, from 1 */
    private function __construct(
        public string $charset,
        public string $delimiter,
        public array $records,
        public bool $isInterchange = false,
    ) {}

    /** @throws BadTable */
    public static function read(string $bytes): self
    {
        [$text, $charset] = self::decoded($bytes);
        if (HtmlTable::looksLike($text)) {
            return self::ofRecords(HtmlTable::records($text), $charset);
        }
        if (Interchange::looksLike($text)) {
            return new self($charset, '', Interchange::records($text), true);
        }
        $delimiter = self::delimiter($text);

        return self::ofRecords(Delimited::records($text, $delimiter), $charset, $delimiter);
    }

    /**
     * Rows that were read elsewhere, as by a spreadsheet library.
     *
     * @param array<int, list<string>> $records by row number, from 1
     *
     * @throws BadTable
     */
    public static function ofRecords(array $records, string $charset = 'UTF-8', string $delimiter = ''): self
    {
        return $records === []
            ? throw new BadTable('file_of_empty_rows')
            : new self($charset, $delimiter, $records);
    }

    /** The character set by its usual name. */
    public function encoding(): string
    {
        return str_starts_with($this->charset, 'UTF-16') ? 'utf-16' : strtolower($this->charset);
    }

    /**
     * @return array{string, string} UTF-8 text and the character set it came in
     *
     * @throws BadTable
     */
    private static function decoded(string $bytes): array
    {
        foreach (
            [
                'PK' => 'file_zipped',
                "\xD0\xCF\x11\xE0" => 'file_old_workbook',
                '%PDF' => 'file_pdf',
            ] as $mark => $reason
        ) {
            if (
                (str_starts_with($bytes, $mark) && preg_match('/[\x00-\x08]/', substr($bytes, 0, 200)) === 1) ||
                (str_starts_with($bytes, $mark) && $mark !== 'PK')
            ) {
                throw new BadTable($reason);
            }
        }
        foreach (["\xEF\xBB\xBF" => 'UTF-8', "\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $charset) {
            if (str_starts_with($bytes, $mark)) {
                $text = (string) mb_convert_encoding(substr($bytes, strlen($mark)), 'UTF-8', $charset);

                return [self::printable($text), $charset];
            }
        }
        $start = substr($bytes, 0, 200);
        if (
            preg_match('/^(?:[\x09\x0A\x0D\x20-\x7E]\x00){4,}/', $start) === 1 ||
            preg_match('/^(?:\x00[\x09\x0A\x0D\x20-\x7E]){4,}/', $start) === 1
        ) {
            $charset = $start[0] === "\x00" ? 'UTF-16BE' : 'UTF-16LE';

            return [self::printable((string) mb_convert_encoding($bytes, 'UTF-8', $charset)), $charset];
        }
        $charset = mb_check_encoding($bytes, 'UTF-8') ? 'UTF-8' : 'Windows-1252';

        return [
            self::printable(
                $charset === 'UTF-8' ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
            ),
            $charset,
        ];
    }

    /** @throws BadTable */
    private static function printable(string $text): string
    {
        if (trim($text) === '') {
            throw new BadTable('file_empty');
        }
        if (preg_match('/[\x00-\x08\x0E-\x1F]/', $text) === 1 || ! mb_check_encoding($text, 'UTF-8')) {
            throw new BadTable('file_of_bytes');
        }

        return str_replace("\r", "\n", str_replace("\r\n", "\n", $text));
    }

    /**
     * The delimiter under which a row names the most columns that are understood; else the one that parts the rows
     * most evenly.
     *
     * @return non-empty-string
     */
    private static function delimiter(string $text): string
    {
        $lines = array_slice(
            array_filter(explode("\n", $text, 400), static fn (string $line): bool => trim($line) !== ''),
            0,
            self::LOOKED_AT,
        );
        $head = implode("\n", $lines);
        $best = [[-1, -1.0], ','];
        foreach (self::DELIMITERS as $delimiter) {
            if (! str_contains($head, $delimiter)) {
                continue;
            }
            $counts = array_map(
                static fn (string $line): int => substr_count((string) preg_replace('/"[^"]*"/', '', $line), $delimiter),
                array_values($lines),
            );
            sort($counts);
            $middle = $counts[intdiv(count($counts), 2)] ?? 0;
            $alike = count(array_filter($counts, static fn (int $count): bool => $count === $middle));
            $named = 0;
            foreach ($lines as $line) {
                $named = max(
                    $named,
                    count(
                        array_filter(
                            explode($delimiter, str_replace('"', '', mb_substr($line, 0, 20_000))),
                            HeaderRows::isUnderstood(...),
                        ),
                    ),
                );
            }
            $score = [$named, (float) $middle * $alike];
            $best = $score > $best[0] ? [$score, $delimiter] : $best;
        }

        return $best[1];
    }
}
