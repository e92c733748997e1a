<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Error\BadOption;
use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * The colour card of a comparator capsule for pH.
 *
 * Quantity and unit: pH; each step stands for the half widths to its sides.
 * Source: the table in data/capsule-ph.json.
 */
final class CapsuleScale
{
    /**
     * @throws BadTable
     * @throws BadOption
     */
    public static function ph(): Bands
    {
        /** @var array{half_width: float, steps: list<float|int>} $table */
        $table = RuleTable::named('capsule-ph');

        return Bands::of(array_map(
            static fn (float|int $step): Band => new Band(number_format($step, 1), $step - $table['half_width'], $step + $table['half_width']),
            $table['steps'],
        ));
    }
}
