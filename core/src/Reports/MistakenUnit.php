<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * Which mistaken unit or form would explain that a result lies far from what is usual.
 *
 * Quantity and unit: ratio of the result to the usual value, in the home unit of the analyte.
 * Domain: ratios above 0; pH and conductivity have no such factors but a lost decimal mark.
 * Source: the table in data/mistaken-units.json.
 */
final class MistakenUnit
{
    /** In words, or an empty text where no known factor fits. */
    public static function explain(string $analyte, float $ratio, bool $batch = false): string
    {
        /**
         * @var array{within: float, batch_within: float, factors: list<array{factor: float|int, for?: list<string>,
         * over: string, under: string}>} $table
         */
        $table = RuleTable::named('mistaken-units');
        if (! ($ratio > 0 && is_finite($ratio))) {
            return '';
        }
        $found = [];
        foreach ($table['factors'] as $row) {
            $off = abs(abs(log($ratio)) - log($row['factor']));
            if (
                $off <= log(1 + $table[$batch ? 'batch_within' : 'within']) &&
                (! isset($row['for']) || in_array($analyte, $row['for'], true))
            ) {
                $found[] = [$off, $ratio > 1 ? $row['over'] : $row['under']];
            }
        }
        usort($found, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return implode('; or ', array_slice(array_column($found, 1), 0, 2));
    }

    /**
     * A report whose results of one series lie, all together, a known factor from the lab's usual range; null where
     * they do not.
     *
     * @param list<float> $report in the home unit
     * @param list<float> $earlier the lab's own results before it, of any ground
     */
    public static function ofBatch(string $analyte, string $series, array $report, array $earlier): ?string
    {
        /** @var array{lab_least: int, lab_z: float|int} $table */
        $table = RuleTable::named('mistaken-units');
        [$new, $old] = [self::logs($report), self::logs($earlier)];
        if ($new === [] || $old === [] || count($new) < 3 || count($old) < $table['lab_least']) {
            return null;
        }
        $shift = Spread::median($new) - Spread::median($old);
        $sd = max(0.1, (float) Spread::standardDeviation($old));
        $words =
            abs($shift) / ($sd * sqrt(1 / count($new) + 1 / count($old))) > $table['lab_z']
                ? self::explain($analyte, exp($shift), true)
                : '';

        return $words === ''
            ? null
            : "{$series}: the middle of this report is ".
                    round(exp(Spread::median($new)), 2).
                    ' and that of the lab\'s earlier results '.
                    round(exp(Spread::median($old)), 2).
                    ", {$words}.";
    }

    /**
     * @param list<float> $values
     * @return list<float> natural logs of those above zero
     */
    private static function logs(array $values): array
    {
        return array_values(
            array_map(log(...), array_filter($values, static fn (float $value): bool => $value > 0)),
        );
    }
}
