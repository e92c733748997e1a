<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\Area;

/** The pairs of a test taken apart: by range of the reference, lot, reader, season, soil class and ground. A group of fewer than five proves nothing by itself. */
final class Strata
{
    private const ENOUGH = 5;

    /** @return list<array{by: string, group: string, n: int, agree: int, lower: float|null, difference: float|null, verdict: string}> */
    public static function of(Evidence $evidence): array
    {
        $actions = $evidence->policy->terms['actions'];
        $ways = [
            'action by the reference' => static fn (Pair $pair): string => $actions[$pair->referenceClass()] ?? '',
            'lot' => static fn (Pair $pair): string => $pair->lot() === '' ? 'no lot named' : $pair->lot(),
            'reader' => static fn (Pair $pair): string => $pair->reader(),
            'season' => static fn (Pair $pair): string => (string) $pair->sample->year,
            'soil class' => static fn (Pair $pair): string => self::soil($pair->sample->area),
            'ground' => static fn (Pair $pair): string => $pair->sample->area->name,
        ];
        $rows = [];
        foreach ($ways as $by => $group) {
            $groups = [];
            foreach ($evidence->counted() as $pair) {
                $groups[$group($pair)][] = $pair;
            }
            if (count($groups) < 2 && $by !== 'lot') {
                continue;
            }
            ksort($groups);
            foreach ($groups as $name => $pairs) {
                $sort = $evidence->sortOf($pairs);
                $differences = array_filter(array_map(static fn (Pair $pair): ?float => $pair->test() === null ? null : $pair->test() - $pair->reference, $pairs), is_float(...));
                $rows[] = [
                    'by' => $by, 'group' => (string) $name, 'n' => count($pairs), 'agree' => $sort->tally->agree, 'lower' => count($pairs) < self::ENOUGH ? null : $sort->lower,
                    'difference' => $differences === [] ? null : array_sum($differences) / count($differences), 'verdict' => count($pairs) < self::ENOUGH ? 'too few' : $sort->verdict->value,
                ];
            }
        }

        return $rows;
    }

    /** What the soil of an area feels like, as its facts say. */
    private static function soil(Area $area): string
    {
        $textures = $area->knownFacts()->textures;

        return $textures === [] ? 'not said' : implode(' and ', $textures);
    }
}
