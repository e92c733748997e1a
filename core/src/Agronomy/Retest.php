<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * When ground is due for its next test.
 *
 * Quantity and unit: calendar dates.
 * Source: the table in data/retest.json.
 */
final class Retest
{
    /** @throws BadTable */
    public static function due(\DateTimeImmutable $lastPulled, bool $correcting): \DateTimeImmutable
    {
        /** @var array{usual_years: int, correcting_years: int} $table */
        $table = RuleTable::named('retest');
        $years = $correcting ? $table['correcting_years'] : $table['usual_years'];
        $year = (int) $lastPulled->format('Y') + $years;
        $month = (int) $lastPulled->format('n');
        $lastOfMonth = (int) $lastPulled->setDate($year, $month, 1)->format('t');

        return $lastPulled->setDate($year, $month, min((int) $lastPulled->format('j'), $lastOfMonth));
    }
}
