<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * A lab's table with its header found: one row a sample or a result, whichever way it lay in the file.
 *
 * Domain: rows of units below the header and of groups above it belong to it; a table with its samples in columns is
 * turned.
 * Source: common practice of labs.
 */
final readonly class ReportTable
{
    private const NOTE = '/^\s*(note|notes|nb|n\.b\.|remark|remarks|comment|comments|bemerkung|hinweis|nota|notas|'.
        'remarque|legend|disclaimer|end of report|page \d|\*|#|†|<\s*=?\s*(below|less))/iu';

    private const TURNED_LOOKS_AT = 400;

    /**
     * @param list<string> $names of the columns as they stand
     * @param list<string> $columns the same, made different where the file repeats one
     * @param list<list<ColumnContext>> $contexts what stands about each column, the nearest first
     * @param array<int, list<string>> $rows by the line of the file; by the column where it was turned
     * @param list<int>|null $columnLines the line of each column, where the table was turned
     */
    private function __construct(
        public int $headerRow,
        public array $names,
        public array $columns,
        public array $contexts,
        public array $rows,
        private ?array $columnLines,
    ) {}

    /**
     * @param non-empty-array<int, list<string>> $records by line
     * @param int|null $headerRow the row that a person said to be the header
     *
     * @throws BadTable
     */
    public static function of(array $records, ?int $headerRow = null): self
    {
        $turned = self::turned($records, $headerRow);
        if ($turned !== null) {
            return $turned;
        }
        $at = $headerRow ?? HeaderRows::find($records);
        if (! isset($records[$at])) {
            throw new BadTable('no_header_row', ['at' => $at]);
        }
        $below = array_filter($records, static fn (int $row): bool => $row > $at, ARRAY_FILTER_USE_KEY);
        $continued = [];
        foreach ($below as $row => $cells) {
            if (count($continued) === 3 || ! HeaderRows::continues($cells, $records[$at])) {
                break;
            }
            $continued[$row] = $cells;
        }
        $rows = array_diff_key($below, $continued);
        if ($rows === []) {
            throw new BadTable('report_without_rows', ['at' => $at]);
        }
        $names = self::named($records[$at], $continued);
        [$groups, $titles] = self::above(
            array_filter($records, static fn (int $row): bool => $row < $at, ARRAY_FILTER_USE_KEY),
            count($names),
        );
        $contexts = [];
        foreach (array_keys($names) as $i) {
            $near = array_map(
                static fn (array $cells): ColumnContext => ColumnContext::ofCell($cells[$i] ?? ''),
                array_values($continued),
            );
            $over = array_map(
                static fn (array $cells): ColumnContext => ColumnContext::ofCell($cells[$i] ?? ''),
                $groups,
            );
            $contexts[] = array_values(
                array_filter([...$near, ...$over, ...$titles], static fn (ColumnContext $one): bool => ! $one->isEmpty()),
            );
        }

        return new self($at, $names, self::different($names), $contexts, self::fitted($rows, count($names), $at), null);
    }

    /** The line of the file that a cell stands in. */
    public function lineOf(int $row, int $column): int
    {
        return $this->columnLines[$column] ?? $row;
    }

    public function isTurned(): bool
    {
        return $this->columnLines !== null;
    }

    public static function isNote(string $text): bool
    {
        return preg_match(self::NOTE, $text) === 1;
    }

    /**
     * Names of the header; a blank one over a filled row of units continues the name before it.
     *
     * @param list<string> $header
     * @param array<int, list<string>> $continued
     * @return list<string>
     */
    private static function named(array $header, array $continued): array
    {
        $width = max(array_map(count(...), [$header, ...array_values($continued)]));
        [$names, $before] = [[], ''];
        for ($i = 0; $i < $width; $i++) {
            $name = trim((string) preg_replace('/\s+/u', ' ', $header[$i] ?? ''));
            $under = implode(
                ' ',
                array_filter(
                    array_map(static fn (array $cells): string => $cells[$i] ?? '', array_values($continued)),
                    static fn (string $cell): bool => $cell !== '',
                ),
            );
            $names[] = $name !== '' ? $name : ($under !== '' && $before !== '' ? trim("{$before} {$under}") : '');
            $before = $name !== '' ? $name : $before;
        }
        while (count($names) > count($header) && end($names) === '') {
            array_pop($names);
        }

        return $names;
    }

    /**
     * @param array<int, list<string>> $records
     * @return array{list<list<string>>, list<ColumnContext>} groups over columns, filled to the right, the nearest
     *                                                        first; and titles
     */
    private static function above(array $records, int $width): array
    {
        [$groups, $titles] = [[], []];
        foreach (array_reverse($records, true) as $cells) {
            if ($titles === [] && HeaderRows::groups($cells)) {
                $last = '';
                $filled = [];
                for ($i = 0; $i < $width; $i++) {
                    $last = ($cells[$i] ?? '') !== '' ? $cells[$i] : $last;
                    $filled[] = $last;
                }
                $groups[] = $filled;
            } else {
                $titles[] = ColumnContext::ofTitle(
                    implode(' ', array_filter($cells, static fn (string $cell): bool => $cell !== '')),
                );
            }
        }

        return [$groups, array_values(array_filter($titles, static fn (ColumnContext $one): bool => ! $one->isEmpty()))];
    }

    /**
     * @param array<int, list<string>> $rows
     * @return array<int, list<string>> each as wide as the header
     *
     * @throws BadTable for a row with more in it than the header has columns
     */
    private static function fitted(array $rows, int $width, int $at): array
    {
        foreach ($rows as $row => $cells) {
            $count = count($cells);
            if ($count === $width) {
                continue;
            }
            if (
                $count > $width &&
                implode('', array_slice($cells, $width)) !== '' &&
                ! self::isNote(implode('', $cells))
            ) {
                throw new BadTable('row_wider_than_header', [
                    'row' => $row,
                    'count' => $count,
                    'at' => $at,
                    'width' => $width,
                ]);
            }
            $rows[$row] = $count > $width ? array_slice($cells, 0, $width) : array_pad($cells, $width, '');
        }

        return $rows;
    }

    /**
     * The table turned, where its samples stand in columns and its analytes in rows.
     *
     * @param non-empty-array<int, list<string>> $records
     */
    private static function turned(array $records, ?int $headerRow): ?self
    {
        $looked = array_slice($records, 0, self::TURNED_LOOKS_AT, true);
        $inRow = self::resultsInRow(array_slice($looked, 0, 40, true));
        if ($inRow === null) {
            return null;
        }
        foreach ([0, 1, 2] as $c) {
            $named = array_filter(
                $looked,
                static fn (array $cells): bool => ($cells[$c] ?? '') !== '' && mb_strlen($cells[$c]) <= 120,
            );
            $results = array_filter(
                $named,
                static fn (array $cells): bool => ColumnName::read($cells[$c])->role === ColumnRole::Result &&
                    count(array_filter($cells, static fn (string $cell): bool => $cell !== '')) > 1,
            );
            if (count($results) < 2 || count($results) <= $inRow || 2 * count($results) < count($named) - 3) {
                continue;
            }
            $codes = $headerRow ?? self::rowOfCodes($records, $c, (int) array_key_first($results));
            if ($codes !== null && isset($records[$codes])) {
                return self::turn($records, $c, $codes);
            }
        }

        return null;
    }

    /**
     * The most names of results that stand in one row, or null where one of them is a header already.
     *
     * @param array<int, list<string>> $rows
     */
    private static function resultsInRow(array $rows): ?int
    {
        $most = 0;
        foreach ($rows as $cells) {
            $roles = array_map(
                static fn (string $cell): ColumnRole => $cell === '' || mb_strlen($cell) > 120
                    ? ColumnRole::Ignore
                    : ColumnName::read($cell)->role,
                $cells,
            );
            if (in_array(ColumnRole::Analyte, $roles, true) && in_array(ColumnRole::Value, $roles, true)) {
                return null;
            }
            $results = count(array_filter($roles, static fn (ColumnRole $role): bool => $role === ColumnRole::Result));
            if ($results > 0 && in_array(ColumnRole::Sample, $roles, true)) {
                return null;
            }
            $most = max($most, $results);
        }

        return $most;
    }

    /** @param array<int, list<string>> $records */
    private static function rowOfCodes(array $records, int $c, int $first): ?int
    {
        $codes = null;
        foreach ($records as $row => $cells) {
            $beside = count(array_filter(array_slice($cells, $c + 1), static fn (string $cell): bool => $cell !== ''));
            if (
                $beside > 0 &&
                ($cells[$c] ?? '') !== '' &&
                mb_strlen($cells[$c]) <= 120 &&
                ColumnName::read($cells[$c])->role === ColumnRole::Sample
            ) {
                return $row;
            }
            $codes = $row < $first && $beside > 0 ? $row : $codes;
        }

        return $codes;
    }

    /** @param non-empty-array<int, list<string>> $records */
    private static function turn(array $records, int $c, int $codes): ?self
    {
        $header = $records[$codes];
        $body = array_filter(
            $records,
            static fn (array $cells, int $row): bool => $row > $codes && ($cells[$c] ?? '') !== '',
            ARRAY_FILTER_USE_BOTH,
        );
        $titles = [];
        foreach ($records as $row => $cells) {
            if ($row < $codes) {
                $titles[] = ColumnContext::ofTitle(implode(' ', $cells));
            }
        }
        [$samples, $about] = self::sides($header, $body, $c, max(array_map(count(...), $records)));
        if ($samples === []) {
            return null;
        }
        [$names, $lines, $contexts] = [['sample'], [$codes], [[]]];
        foreach ($body as $row => $cells) {
            $names[] = trim((string) preg_replace('/\s+/u', ' ', $cells[$c]));
            $lines[] = $row;
            $near = array_map(static fn (int $j): ColumnContext => ColumnContext::ofCell($cells[$j] ?? ''), $about);
            $contexts[] = array_values(
                array_filter([...$near, ...$titles], static fn (ColumnContext $one): bool => ! $one->isEmpty()),
            );
        }
        $rows = [];
        foreach ($samples as $j) {
            $rows[$j + 1] = [
                $header[$j] ?? '',
                ...array_map(static fn (array $cells): string => $cells[$j] ?? '', array_values($body)),
            ];
        }

        return new self($codes, $names, self::different($names), $contexts, $rows, $lines);
    }

    /**
     * Which columns of a turned table are samples, and which say something about the analyte of their row.
     *
     * @param list<string> $header
     * @param array<int, list<string>> $body
     * @return array{list<int>, list<int>}
     */
    private static function sides(array $header, array $body, int $names, int $width): array
    {
        [$samples, $about] = [[], []];
        for ($j = 0; $j < $width; $j++) {
            $cells = array_filter(
                array_map(static fn (array $one): string => $one[$j] ?? '', $body),
                static fn (string $cell): bool => $cell !== '',
            );
            if ($j !== $names && self::isAbout($header[$j] ?? '', $cells)) {
                $about[] = $j;
            } elseif ($j > $names && $cells !== []) {
                $samples[] = $j;
            }
        }

        return [$samples, $about];
    }

    /** @param array<int, string> $cells that are filled */
    private static function isAbout(string $title, array $cells): bool
    {
        $role = $title === '' ? null : ColumnName::read($title)->role;
        $units = array_filter(
            $cells,
            static fn (string $cell): bool => HeaderRows::isUnit($cell) || ColumnContext::ofCell($cell)->isUnderstood(),
        );

        return in_array($role, [ColumnRole::Unit, ColumnRole::Extractant], true) || 2 * count($units) > count($cells);
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
}
