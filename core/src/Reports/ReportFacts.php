<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\CoreError;
use HonestCore\Quantity\DepthLayer;

/**
 * All that a lab's file says, as `report:read` prints it: format, columns, results with their home values, what was
 * left out, and every question.
 *
 * Quantity and unit: `home_value` in ppm of the element, % of organic matter and texture, cmol/kg of exchange
 * capacity, dS/m, pH.
 */
final readonly class ReportFacts
{
    private const MOST_QUESTIONS = 1000;

    private const KINDS = [
        ReportedValue::NUMBER => 'value',
        ReportedValue::UNSETTLED => 'value',
        ReportedValue::ABSENT => 'missing',
        ReportedValue::EITHER => 'missing',
        ReportedValue::UNREADABLE => 'missing',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws CoreError
     */
    public static function of(string $bytes, DepthLayer $depth, float $bulkDensity, ?ColumnMap $map = null): array
    {
        $text = ReportText::read($bytes);
        $table = ReportTable::of($text->records, $text->isInterchange ? 1 : null);
        $reading = ReportReading::of($table);
        if ($map !== null) {
            $reading = ReportReading::of($table, $map->applied($reading->columns));
        }
        [$results, $left, $questions, $asked] = [
            [],
            $reading->leftOut(),
            array_map(static fn (Doubt $doubt): string => $doubt->words, $reading->doubts()),
            [],
        ];
        foreach ($reading->lines() as $line) {
            $column = $line->column;
            foreach ([...$reading->isLong() ? $column->doubts() : [], ...$line->doubts] as $doubt) {
                $asked[$doubt->words] = true;
            }
            if ($column->role === ColumnRole::Ignore) {
                $left[] = ['row' => $line->row, 'reason' => $column->why];

                continue;
            }
            if ($column->known()?->isShare() === true) {
                continue;
            }
            try {
                $home = self::home($line, $depth, $bulkDensity);
            } catch (CoreError $error) {
                $home = null;
                $asked["row {$line->row}, \"{$column->name}\": {$error->getMessage()}"] = true;
            }
            $impossible = $line->impossible($home);
            if ($impossible !== null) {
                $left[] = ['row' => $line->row, 'reason' => $impossible];
                $asked["row {$line->row}, \"{$column->name}\": {$impossible}"] = true;

                continue;
            }
            $results[] = self::result($line, $home);
        }
        $questions = self::inShort([...$questions, ...array_keys($asked)]);

        return [
            'format' => [
                'delimiter' => $text->delimiter === '' ? null : $text->delimiter,
                'decimal' => $reading->style->mark(),
                'encoding' => $text->encoding(),
                'header_row' => $table->headerRow,
            ],
            'columns' => array_map(self::column(...), $reading->columns),
            'results' => $results,
            'left_out' => $left,
            'questions' => array_values(array_unique($questions)),
        ];
    }

    /** @return array<string, string|null> */
    private static function column(ReportColumn $column): array
    {
        $share = $column->known()?->isShare() === true;
        $named = $column->analyte !== '' && ! $share;

        return [
            'name' => $column->name,
            'meaning' => $share ? 'saturation' : $column->role->value,
            'analyte' => $named ? $column->analyte : null,
            'extractant' => $named ? self::text($column->extractant) : null,
            'unit' => self::unit($column->unit),
            'form' => $named && $column->isResult() ? self::text($column->form) : null,
        ];
    }

    /** @return array<string, mixed> */
    private static function result(ReportLine $line, ?float $home): array
    {
        $column = $line->column;
        $rating = $column->role === ColumnRole::Rating;
        $missing = $line->value->isMissing();
        $kind = $rating && ! $missing ? ReportedValue::RATING : self::KINDS[$line->value->kind] ?? $line->value->kind;
        $value = $rating || $line->value->kind === ReportedValue::RANGE ? null : $line->value->number;

        return [
            'row' => $line->row,
            'sample' => $line->sample !== '' ? $line->sample : $line->labNumber,
            'analyte' => $column->analyte,
            'extractant' => self::text($column->extractant),
            'reported' => $line->cell,
            'kind' => $kind,
            'value' => $value,
            'unit' => self::unit($column->unit),
            'form' => $rating ? null : self::text($column->form),
            'home_value' => $rating ? null : $home,
            'home_unit' => self::unit(SoilUnit::home($column->analyte)->code ?? ''),
        ];
    }

    private static function unit(string $code): ?string
    {
        return $code === '' ? null : self::text(SoilUnit::named($code)->symbol());
    }

    private static function text(string $text): ?string
    {
        return $text === '' ? null : $text;
    }

    /** @throws CoreError */
    private static function home(ReportLine $line, DepthLayer $depth, float $bulkDensity): ?float
    {
        $numbers = [ReportedValue::NUMBER, ReportedValue::BELOW, ReportedValue::ABOVE];

        return $line->column->isResult() && in_array($line->value->kind, $numbers, true)
            ? $line->home($line->value->number, $depth, $bulkDensity)
            : null;
    }

    /**
     * @param list<string> $questions
     * @return list<string>
     */
    private static function inShort(array $questions): array
    {
        $more = count($questions) - self::MOST_QUESTIONS;

        return $more <= 0
            ? $questions
            : [...array_slice($questions, 0, self::MOST_QUESTIONS), "and {$more} more of the same kind."];
    }
}
