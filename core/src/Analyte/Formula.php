<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/** Molar masses of simple formulas, such as P2O5. */
final class Formula
{
    /**
     * Molar mass.
     *
     * Quantity and unit: g/mol.
     * Domain: element symbols of the table, each with an optional count; no brackets.
     * Source: data/atomic-masses.json.
     *
     * @throws ValueOutOfRange for anything else
     */
    public static function mass(string $formula): float
    {
        /** @var array<string, float> $masses */
        $masses = RuleTable::named('atomic-masses')['masses'];
        $sum = 0.0;
        if (
            preg_match_all('/([A-Z][a-z]?)(\d*)/', $formula, $parts, PREG_SET_ORDER) < 1 ||
            implode('', array_column($parts, 0)) !== $formula
        ) {
            throw new ValueOutOfRange('no_formula', ['formula' => $formula]);
        }
        foreach ($parts as [, $element, $count]) {
            $mass =
                $masses[$element] ??
                throw new ValueOutOfRange('no_element_table', [
                    'element' => $element,
                    'formula' => $formula,
                    'known' => implode(', ', array_keys($masses)),
                ]);
            $sum += $mass * ($count === '' ? 1 : (int) $count);
        }

        return $sum;
    }

    /**
     * Grams of the compound for each gram of the element in it, as 2.2914 for P2O5 and P.
     *
     * @throws ValueOutOfRange
     */
    public static function perElement(string $compound, string $element): float
    {
        preg_match_all('/([A-Z][a-z]?)(\d*)/', $compound, $parts, PREG_SET_ORDER);
        foreach ($parts as [, $one, $count]) {
            if ($one === $element) {
                return self::mass($compound) / (self::mass($element) * ($count === '' ? 1 : (int) $count));
            }
        }
        throw new ValueOutOfRange('compound_without_element', ['compound' => $compound, 'element' => $element]);
    }
}
