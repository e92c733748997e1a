<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * Lime requirement by the SMP single buffer table.
 *
 * Quantity and unit: US tons of agricultural limestone an acre, 8 inches deep; a LOWER buffer pH means MORE lime.
 * Domain: buffer pH 4.8 to 6.8, target 6.0 to 7.0, straight lines between entries; above 6.8 the first row is
 *   an upper bound; elsewhere no rate, and why.
 * Source: the table in data/lime-smp.json.
 */
final class SmpBuffer
{
    /** @throws BadTable */
    public static function rate(SoilAcidity $soil, float $target): LimeRate
    {
        if ($soil->ph >= $target) {
            return LimeRate::of(LimeSchool::Smp, 0.0, [], note: 'The pH is at its target or above: no lime.');
        }
        /** @var array{targets: non-empty-list<float>, rows: non-empty-list<non-empty-list<float>>} $table */
        $table = RuleTable::named('lime-smp');
        [$high, $low] = [max($table['targets']), min($table['targets'])];
        if ($target < $low || $target > $high) {
            return LimeRate::none(LimeSchool::Smp, "The table covers targets from {$low} to {$high}.");
        }
        $rows = $table['rows'];
        if ($soil->bufferPh < $rows[count($rows) - 1][0]) {
            return LimeRate::none(
                LimeSchool::Smp,
                'The buffer pH lies below the table, which ends at 4.8: ask the lab to repeat it.',
            );
        }
        $above = $soil->bufferPh > $rows[0][0];
        $rate = self::read($rows, $table['targets'], min($soil->bufferPh, $rows[0][0]), $target);

        return LimeRate::of(
            LimeSchool::Smp,
            $rate,
            [
                new WorkingStep(
                    'agricultural limestone, 8 in deep',
                    $above
                        ? "table at its end, buffer pH {$rows[0][0]}, to pH {$target}"
                        : "table at buffer pH {$soil->bufferPh}, to pH {$target}",
                    $rate,
                    'tons/acre',
                ),
            ],
            $above,
            $above ? 'The buffer pH lies above the table: little lime, at most its first row.' : null,
        );
    }

    /**
     * @param non-empty-list<non-empty-list<float>> $rows
     * @param list<float> $targets
     */
    private static function read(array $rows, array $targets, float $buffer, float $target): float
    {
        $i = 0;
        while ($i < count($rows) - 2 && $rows[$i + 1][0] >= $buffer) {
            $i++;
        }
        $j = 0;
        while ($j < count($targets) - 2 && $targets[$j + 1] >= $target) {
            $j++;
        }
        $down = ($rows[$i][0] - $buffer) / ($rows[$i][0] - $rows[$i + 1][0]);
        $across = ($targets[$j] - $target) / ($targets[$j] - $targets[$j + 1]);
        $at = static fn (int $row): float => $rows[$row][$j + 1] + $across * ($rows[$row][$j + 2] - $rows[$row][$j + 1]);

        return $at($i) + $down * ($at($i + 1) - $at($i));
    }
}
