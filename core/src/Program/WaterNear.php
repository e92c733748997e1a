<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Geometry\Nearness;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * Is there water near an area, by what is drawn and how it is called?
 *
 * Quantity and unit: metres.
 * Rule: a landmark whose name has a word of water, within the distance of data/program-rules.json. Water that nobody drew
 * is not known.
 */
final class WaterNear
{
    /**
     * @param array<string, mixed> $boundary GeoJSON
     * @param list<array{name: string, geometry: array<string, mixed>}> $landmarks
     */
    public static function of(array $boundary, array $landmarks): bool
    {
        $rules = new Fields(RuleTable::named('program-rules'));
        $words = array_map(static fn (string $one): string => preg_quote($one, '/'), $rules->texts('water_words'));
        $word = '/\b('.implode('|', $words).')s?\b/i';
        foreach ($landmarks as $landmark) {
            if (
                preg_match($word, $landmark['name']) === 1 &&
                Nearness::within($boundary, $landmark['geometry'], $rules->number('water_m'))
            ) {
                return true;
            }
        }

        return false;
    }
}
