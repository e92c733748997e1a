<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\BadTable;
use HonestCore\Table\Number;
use HonestCore\Table\RuleTable;

/**
 * Is a number as typed a reading that soil can give?
 *
 * Quantity and unit: pH or buffer pH.
 * Source: the table in data/ph-range.json.
 */
final class PlausibleReading
{
    /**
     * What is wrong with a typed number and what is accepted, or null when it will do.
     *
     * @throws BadTable
     */
    public static function question(string $analyte, string $typed): ?string
    {
        $value = Number::parse($typed);
        $range = RuleTable::named('ph-range')[$analyte] ?? null;
        $accepted = is_array($range) ? "a number from {$range[0]} to {$range[1]} with a decimal point, such as 6.1" : 'a number with a decimal point';

        return match (true) {
            $value === null => "\"{$typed}\" is not a number; accepted is {$accepted}.",
            is_array($range) && ($value < $range[0] || $value > $range[1]) => "{$typed} is no reading of soil; accepted is {$accepted}.",
            default => null,
        };
    }
}
