<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * Where programs of several crops for the same ground pull apart.
 *
 * Quantity and unit: pH; lb an acre.
 * Rule: targets of pH half a unit apart or more, lime for one and none or sulphur for the other, a nutrient for one that the
 * other may not get.
 * Source: the product's own; the span of pH in data/program-rules.json.
 */
final class PullApart
{
    private const WHAT = ['p2o5' => 'phosphate', 'k2o' => 'potash', 'lime' => 'lime', 'sulphur' => 'sulphur'];

    /**
     * @param array<string, PartProgram> $programs by the name of their crop
     * @return list<string>
     */
    public static function words(array $programs): array
    {
        $words = [];
        $names = array_keys($programs);
        $apart = (new Fields(RuleTable::named('program-rules')))->number('apart_ph');
        foreach ($names as $i => $one) {
            foreach (array_slice($names, $i + 1) as $other) {
                [$a, $b] = [$programs[$one], $programs[$other]];
                if (abs($a->wants->target - $b->wants->target) >= $apart - 1e-9) {
                    $words[] = "{$one} wants pH ".Words::trim($a->wants->target, 2).", {$other} ".Words::trim($b->wants->target, 2).
                        ': no one dressing serves both. Give them ground of their own.';
                }
                foreach (self::WHAT as $key => $what) {
                    [$for, $against] = [$a->line($key)?->lbPerAcre, $b->line($key)?->lbPerAcre];
                    if ($for !== null && $against !== null && ($for > 0) !== ($against > 0)) {
                        [$yes, $no] = $for > 0 ? [$one, $other] : [$other, $one];
                        $words[] = ucfirst($what)." for {$yes}, none for {$no}.";
                    }
                }
            }
        }

        return $words;
    }
}
