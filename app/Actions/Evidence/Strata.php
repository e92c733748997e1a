<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\Area;
use App\Models\Reading;
use HonestCore\Agreement\ActionLimits;

/**
 * The pairs of a test taken apart: by action and range of the reference, lot, reader, whether read blind, season, soil
 * class and ground.
 * Ranges stand in their order, lots in the order in which they were first read. A group of fewer than five proves
 * nothing by itself.
 */
final class Strata
{
    private const ENOUGH = 5;

    private const PH_RANGES = [5.0, 6.0, 7.0, 8.0];

    /**
     * @return list<array{by: string, group: string, n: int, agree: int, lower: float|null, difference: float|null,
     * verdict: string}>
     */
    public static function of(Evidence $evidence): array
    {
        $rows = [];
        foreach (self::ways($evidence) as $by => $group) {
            $groups = $order = [];
            foreach ($evidence->counted() as $pair) {
                [$at, $name] = $group($pair);
                $groups[$name][] = $pair;
                $order[$name] = min($order[$name] ?? $at, $at);
            }
            if (count($groups) < 2 && $by !== 'lot') {
                continue;
            }
            ksort($order);
            asort($order);
            foreach (array_keys($order) as $name) {
                $rows[] = ['by' => $by, 'group' => (string) $name] + self::figures($evidence, $groups[$name]);
            }
        }

        return $rows;
    }

    /**
     * @return array<string, callable(Pair): array{int|string, string}> where a group stands among others, and its name
     */
    private static function ways(Evidence $evidence): array
    {
        $actions = $evidence->policy->terms->actions;
        $ph = $evidence->test->analyte === 'ph';
        $ranges = $ph ? ActionLimits::of(self::PH_RANGES) : $evidence->policy->policy()->limits;

        return [
            'action by the reference' => static fn (Pair $pair): array => [
                $pair->referenceClass(),
                $actions[$pair->referenceClass()] ?? '',
            ],
            $ph ? 'pH range' : 'range of the reference' => static fn (Pair $pair): array => [
                $ranges->classOf($pair->reference),
                $ranges->name($ranges->classOf($pair->reference)),
            ],
            'lot' => static fn (Pair $pair): array => [
                min(
                    array_map(
                        static fn (Reading $reading): string => $reading->read_on->format('Y-m-d'),
                        $pair->readingsOfLot($pair->lot()),
                    ),
                ),
                $pair->lot() === '' ? 'no lot named' : $pair->lot(),
            ],
            'reader' => static fn (Pair $pair): array => ['', $pair->reader()],
            'where it comes from' => static fn (Pair $pair): array => $pair->isFromRecords()
                ? [1, "from records: {$pair->sample->area->name}"]
                : [0, 'made here'],
            'blind or not' => static fn (Pair $pair): array => self::blindness($pair),
            'season' => static fn (Pair $pair): array => [$pair->sample->year, (string) $pair->sample->year],
            'soil class' => static fn (Pair $pair): array => ['', self::soil($pair->sample->area)],
            'ground' => static fn (Pair $pair): array => ['', $pair->sample->area->name],
        ];
    }

    /**
     * @param list<Pair> $pairs
     * @return array{n: int, agree: int, lower: float|null, difference: float|null, verdict: string}
     */
    private static function figures(Evidence $evidence, array $pairs): array
    {
        $tally = $evidence->tallyOf($pairs);
        // Ground of ten years has hundreds of groups of which few are large enough to be judged.
        $sort = count($pairs) >= self::ENOUGH ? $evidence->sortOf($tally) : null;
        $differences = array_filter(
            array_map(
                static fn (Pair $pair): ?float => $pair->test() === null ? null : $pair->test() - $pair->reference,
                $pairs,
            ),
            is_float(...),
        );

        return [
            'n' => count($pairs),
            'agree' => $tally->agree,
            'lower' => $sort?->lower,
            'difference' => $differences === [] ? null : array_sum($differences) / count($differences),
            'verdict' => $sort === null ? 'too few' : $sort->verdict->value,
        ];
    }

    /** @return array{int, string} */
    private static function blindness(Pair $pair): array
    {
        $seen = array_map(static fn (Reading $reading): ?bool => $reading->seenBefore(), $pair->readings);

        return match (true) {
            in_array(true, $seen, true) => [1, 'the lab\'s value was known'],
            in_array(null, $seen, true) => [2, 'not kept whether it was'],
            default => [0, 'read blind'],
        };
    }

    /** What the soil of an area feels like, as its facts say. */
    private static function soil(Area $area): string
    {
        $textures = $area->knownFacts()->textures;

        return $textures === [] ? 'not said' : implode(' and ', $textures);
    }
}
