<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Agreement\Bands;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;

/**
 * Old pairs out of a spreadsheet: each row that could be read, and each that could not, with its reason.
 *
 * Quantity and unit: see RecordRow. Numbers are read as those of lab reports are; one that could be two is asked about and
 *   its row left out until it is said.
 * Domain: up to 5,000 rows.
 */
final readonly class PairedRecords
{
    public const MOST = 5000;

    /**
     * @param list<RecordRow> $rows
     * @param list<array{row: int, reason: string}> $leftOut
     */
    private function __construct(public array $rows, public array $leftOut, public bool $unsettled) {}

    /**
     * @param Bands|null $bands of the test, where it gives bands
     * @param bool|null $decimalComma as a person said it
     * @param string|null $until the last day that a reading can be of
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function of(
        ReportTable $table,
        RecordMapping $mapping,
        string $analyte,
        ?Bands $bands,
        ?bool $decimalComma = null,
        ?string $until = null,
    ): self {
        $mapping->check(count($table->columns), $analyte);
        if (count($table->rows) > self::MOST) {
            throw new BadTable('too_many_records', ['most_rows' => self::MOST]);
        }
        if ($mapping->asks($analyte, $bands !== null) !== []) {
            return new self([], [], false);
        }
        $cells = self::cell(...);
        $style = self::style($table, [$mapping->reference, $bands === null ? $mapping->test : null], $decimalComma);
        [$rows, $left, $unsettled, $known] = [[], [], false, []];
        foreach ($table->rows as $at => $row) {
            $sample = $cells($row, $mapping->sample);
            $lab = self::number($cells($row, $mapping->reference), $style, $analyte, $mapping->referenceUnit);
            $test = $bands === null
                ? self::number($cells($row, $mapping->test), $style, $analyte, $mapping->testUnit)
                : self::band($cells($row, $mapping->test), $bands);
            $day = self::past(self::day($cells($row, $mapping->date), $mapping), $until);
            $why = self::why($sample, $lab, $test, $day, $known[$sample] ?? null);
            $unsettled = $unsettled || $lab === self::UNSETTLED || $test === self::UNSETTLED;
            if ($why !== null || is_string($lab) || is_string($test) || is_string($day)) {
                $left[] = ['row' => $at, 'reason' => (string) $why];

                continue;
            }
            $known[$sample] = $lab[0];
            $rows[] = new RecordRow(
                $at,
                $sample,
                $lab[0],
                $cells($row, $mapping->reference),
                $test[0],
                $test[1],
                $cells($row, $mapping->test),
                $day[0],
                $day[1],
                mb_substr($cells($row, $mapping->lot), 0, 60),
                mb_substr($cells($row, $mapping->reader), 0, 120),
            );
        }

        return new self($rows, $left, $unsettled);
    }

    /** @param list<int|null> $columns of numbers */
    private static function style(ReportTable $table, array $columns, ?bool $decimalComma): NumberStyle
    {
        $numbers = [];
        foreach ($table->rows as $row) {
            foreach ($columns as $column) {
                $numbers[] = self::cell($row, $column);
            }
        }

        return match ($decimalComma) {
            null => NumberStyle::of(array_filter($numbers, static fn (string $cell): bool => $cell !== '')),
            true => NumberStyle::comma(),
            false => NumberStyle::point(),
        };
    }

    /**
     * Why a row holds no pair; null where it does.
     *
     * @param array{float, null}|string $lab
     * @param array{float, null}|array{null, string}|string $test
     * @param array{int, string|null}|string $day
     * @param float|null $before what the lab found of the sample on an earlier row
     */
    private static function why(string $sample, array|string $lab, array|string $test, array|string $day, ?float $before): ?string
    {
        return match (true) {
            $sample === '' => 'it names no sample',
            is_string($lab) => "the lab: {$lab}",
            is_string($test) => "the test: {$test}",
            is_string($day) => $day,
            $before !== null && abs($before - $lab[0]) > 1e-9 => "the sample {$sample} has another value of the lab on an ".
                'earlier row',
            default => null,
        };
    }

    /** @param array<int, string> $row */
    private static function cell(array $row, ?int $column): string
    {
        return $column === null ? '' : trim($row[$column] ?? '');
    }

    private const UNSETTLED = 'it could be read in two ways; say what the comma is';

    /** @return array{float, null}|string the number in the home unit, or why there is none */
    private static function number(string $cell, NumberStyle $style, string $analyte, string $unit): array|string
    {
        $read = ReportedValue::read($cell, $style);
        if ($read->kind === ReportedValue::UNSETTLED) {
            return self::UNSETTLED;
        }
        if ($read->isMissing()) {
            return 'there is no value';
        }
        if (! $read->isNumber() || $read->number === null || $read->unit !== '') {
            return "\"{$cell}\" is no single number";
        }
        $value = $unit === '' ? $read->number : SoilUnit::toHome($analyte, $read->number, SoilUnit::named($unit));

        return Analytes::find($analyte)?->isPossible($value) === false
            ? "{$cell} lies outside of what soil can give; is it the right column and unit?"
            : [$value, null];
    }

    /** @return array{null, string}|string the band, or why there is none */
    private static function band(string $cell, Bands $bands): array|string
    {
        foreach ($bands->bands as $band) {
            $same = is_numeric($cell) && is_numeric($band->name) && abs((float) $cell - (float) $band->name) < 1e-9;
            if ($same || mb_strtolower($cell) === mb_strtolower($band->name)) {
                return [null, $band->name];
            }
        }

        return $cell === ''
            ? 'there is no value'
            : "\"{$cell}\" is no band of the test; it has ".implode(', ', array_column($bands->bands, 'name'));
    }

    /**
     * @param array{int, string|null}|string $day
     * @return array{int, string|null}|string
     */
    private static function past(array|string $day, ?string $until): array|string
    {
        $from = is_array($day) ? $day[1] ?? "{$day[0]}-01-01" : '';

        return $until === null || $from <= $until ? $day : 'its day ('.($day[1] ?? $day[0]).') is still to come';
    }

    /** @return array{int, string|null}|string year and day, or why there is none */
    private static function day(string $cell, RecordMapping $mapping): array|string
    {
        if ($mapping->date === null) {
            return [(int) $mapping->year, null];
        }
        if (preg_match('/^(19|20)\d\d$/', $cell) === 1) {
            return [(int) $cell, null];
        }
        $written = preg_split('~[-/.\s]+~', $cell, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($written) !== 3 || ! ctype_digit(implode('', $written))) {
            return $cell === '' ? 'it has no date' : "\"{$cell}\" is no date; accepted are 2024, 2024-05-17 or the order you chose";
        }
        // Year first is taken of four digits alone: 04/05/06 may be any of three days.
        if ($mapping->order === 'ymd' && strlen($written[0]) !== 4) {
            return "\"{$cell}\" does not begin with a year of four digits; say how dates are written";
        }
        $parts = array_map(intval(...), $written);
        [$y, $m, $d] = match ($mapping->order) {
            'dmy' => [$parts[2], $parts[1], $parts[0]],
            'mdy' => [$parts[2], $parts[0], $parts[1]],
            default => $parts,
        };
        $y = self::year($y);

        return $y >= 1950 && $y <= 2200 && checkdate($m, $d, $y)
            ? [$y, sprintf('%04d-%02d-%02d', $y, $m, $d)]
            : "\"{$cell}\" is no date in the order that was chosen";
    }

    /** A year of two digits as POSIX reads %y: 69 to 99 are of the century before. */
    private static function year(int $written): int
    {
        return match (true) {
            $written > 99 => $written,
            $written < 69 => 2000 + $written,
            default => 1900 + $written,
        };
    }
}
