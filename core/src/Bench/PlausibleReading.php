<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Analyte\Analytes;
use HonestCore\Error\BadTable;
use HonestCore\Table\Number;

/**
 * Is a number as typed a reading that soil can give?
 *
 * Quantity and unit: the home unit of the analyte.
 * Source: the possible ranges in data/analytes.json.
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
        $analyte = Analytes::find($analyte);
        $accepted =
            $analyte === null
                ? 'a number with a decimal point'
                : "a number from {$analyte->low} to {$analyte->high} with a decimal point".
                    ($analyte->isUnitless() ? ', such as 6.1' : '');

        return match (true) {
            $value === null => "\"{$typed}\" is not a number; accepted is {$accepted}.",
            $analyte !== null && ! $analyte->isPossible($value) => "{$typed} is no reading of soil; accepted is {$accepted}.",
            default => null,
        };
    }
}
