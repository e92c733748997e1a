<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\UnitText;

/**
 * Which of the early rows of a table are its header: the row with the names, rows of units or extractants below it, a
 * row of groups above it, and the lines of title before them.
 *
 * Source: common practice of labs; what is found is shown and a person may name the row.
 */
final class HeaderRows
{
    private const LOOKED_AT = 40;

    /** Words that stand before a row of units in the column of sample codes. */
    private const BEFORE_UNITS = '/^\(?(units?|uom|einheit(en)?|unites?|unit[eé]s?|unidad(es)?|extract\w*|method\w*|'.
        'methode|metodo|extraktion)\)?:?$/iu';

    public static function isUnderstood(string $cell): bool
    {
        $cell = trim($cell);

        return $cell !== '' &&
            strlen($cell) <= 120 &&
            preg_match('/^[<>+-]?[\d.,\s]+$/', $cell) !== 1 &&
            (ColumnName::read($cell)->role !== ColumnRole::Ignore ||
                str_contains(ColumnName::read($cell)->why, ' no result of '));
    }

    /**
     * The row that names the most columns that are understood, and holds few numbers.
     *
     * @param non-empty-array<int, list<string>> $records
     */
    public static function find(array $records): int
    {
        $best = [-1, array_key_first($records)];
        foreach (array_slice($records, 0, self::LOOKED_AT, true) as $row => $cells) {
            $score = self::score($cells);
            $best = $score > $best[0] ? [$score, $row] : $best;
        }

        return $best[1];
    }

    /** @param list<string> $cells */
    private static function score(array $cells): int
    {
        [$named, $words, $values] = [0, 0, 0];
        foreach ($cells as $cell) {
            if ($cell === '') {
                continue;
            }
            if (preg_match('/^[<>+-]?\s*[\d.,\s]*\d[\d.,\s]*%?$/', $cell) === 1) {
                $values++;
            } else {
                $words++;
                $named += self::isUnderstood($cell) ? 1 : 0;
            }
        }

        return $words === 0 ? -1 : 3 * $named + min($words, 60) - 2 * $values;
    }

    private const NO_UNITS = ['ph', 'ph units', 'units', 's.u.', 'rating', 'unitless'];

    /**
     * Is this a row of units or extractants that belongs to the header above it?
     *
     * @param list<string> $cells
     * @param list<string> $header
     */
    public static function continues(array $cells, array $header): bool
    {
        $understood = 0;
        foreach ($cells as $i => $cell) {
            if ($cell === '' || ($i < 3 && preg_match(self::BEFORE_UNITS, $cell) === 1)) {
                continue;
            }
            if (self::isOfSample($header[$i] ?? '', $cell)) {
                return false;
            }
            $context = ColumnContext::ofCell($cell);
            $understood += $context->isUnderstood() ? 1 : 0;
            $isWord = in_array(strtolower(trim($cell, '()[] ')), self::NO_UNITS, true);
            if (! $context->isUnderstood() && ! $isWord && ! $context->isUnread()) {
                return false;
            }
        }

        return $understood > 0;
    }

    /** A number, a word of a lab or anything under the name of a sample belongs to a sample, not to the header. */
    private static function isOfSample(string $title, string $cell): bool
    {
        $isCode = $title !== '' &&
            in_array(ColumnName::read($title)->role, [ColumnRole::Sample, ColumnRole::LabNumber], true);

        return $isCode || preg_match('/^[<>+-]?\s*[\d.,]+$/', $cell) === 1 || ReportedValue::isWord($cell);
    }

    /**
     * Is this row above the header one of groups, each over the columns to its right?
     *
     * @param list<string> $cells
     */
    public static function groups(array $cells): bool
    {
        $filled = array_filter(array_slice($cells, 1), static fn (string $cell): bool => $cell !== '');
        if ($filled === []) {
            return false;
        }
        foreach ($filled as $cell) {
            if (
                preg_match('/^[<>+-]?\s*[\d.,]+$/', $cell) === 1 ||
                mb_strlen($cell) > 30 ||
                substr_count($cell, ' ') > 3
            ) {
                return false;
            }
        }

        return array_filter($filled, static fn (string $cell): bool => ColumnContext::ofCell($cell)->isUnderstood()) !==
            [];
    }

    /** Is a text a unit and nothing else? */
    public static function isUnit(string $cell): bool
    {
        $read = $cell === '' ? null : UnitText::read(trim($cell, '()[] '));

        return $read !== null && ($read->unit->kind !== 'ph' || strtolower($cell) !== 'ph');
    }
}
