<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Table\RuleTable;

/** How far two results of the same soil from one lab may differ: the repeatability limit. */
final class DuplicateLimit
{
    /**
     * Quantity and unit: home unit of the analyte.
     * Variant: 2.8 standard deviations of one result (1.96 √2); that of the lab where it is known, else a usual one.
     * Source: ISO 5725-6 for the limit; the table in data/report-rules.json.
     *
     * @param float|null $sd of one result, when the lab's is known
     */
    public static function limit(string $analyte, float $one, float $other, ?float $sd = null): float
    {
        /** @var array{absolute_sd: array<string, float>, relative_sd: float, repeatability_factor: float} $rules */
        $rules = RuleTable::named('report-rules');

        return $rules['repeatability_factor'] *
            ($sd ?? ($rules['absolute_sd'][$analyte] ?? ($rules['relative_sd'] * (abs($one) + abs($other))) / 2));
    }

    /** The question of two that differ by more, or null. */
    public static function question(
        string $analyte,
        string $series,
        string $key,
        float $one,
        string $duplicate,
        float $other,
        ?float $sd = null,
    ): ?Question {
        $limit = self::limit($analyte, $one, $other, $sd);
        $apart = abs($one - $other);

        return $apart <= $limit + 1e-9
            ? null
            : new Question(
                QuestionKind::Duplicate,
                "{$key} and its hidden duplicate {$duplicate} differ in {$series} by ".
                    round($apart, 3).
                    ' ('.
                    round($one, 3).
                    ' and '.
                    round($other, 3).
                    '), more than the lab repeats itself ('.
                    round($limit, 3).
                    ').',
                [$key, $duplicate],
                [$series],
            );
    }
}
