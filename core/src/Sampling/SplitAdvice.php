<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Agronomy\Crop;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * Should ground be sampled apart? Reasons within one area, and between two that might share a composite.
 *
 * Quantity and unit: acres. Facts are as AreaFacts gives them; what is not known is no reason.
 * Source: the table in data/split.json.
 */
final class SplitAdvice
{
    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    public static function within(AreaFacts $facts, float $acres): array
    {
        /**
         * @var array{most_acres_level: float|int, most_acres_sloping: float|int, slopes: array<string, string>,
         * textures: array<string, string>, surfaces: array<string, string>} $table
         */
        $table = RuleTable::named('split');
        $sloping = array_diff($facts->slopes, ['level']) !== [];
        $most = (float) ($sloping ? $table['most_acres_sloping'] : $table['most_acres_level']);
        $slopes = self::names($facts->slopes, $table['slopes']);
        $textures = self::names($facts->textures, $table['textures']);
        $surfaces = self::names($facts->surfaces, $table['surfaces']);
        $partial = array_filter($facts->events, static fn (array $event): bool => $event['part']);
        $reasons = array_keys(
            array_filter([
                sprintf(
                    '%.1f acres on %s: one composite should not stand for more than %g acres there.',
                    $acres,
                    $sloping ? 'a slope' : 'level ground',
                    $most,
                ) => $facts->slopes !== [] && $acres > $most,
                sprintf(
                    '%.1f acres: one composite should not stand for more than %g acres even of level ground.',
                    $acres,
                    $most,
                ) => $facts->slopes === [] && $acres > $most,
                "It spans {$slopes}." => count($facts->slopes) > 1,
                "It holds {$textures} soil." => count($facts->textures) > 1,
                "It holds {$surfaces}: they are different soils." => count($facts->surfaces) > 1,
            ]),
        );
        foreach ($partial as $event) {
            $reasons[] = "Only part of it got {$event['kind']} in {$event['on']}: one composite would give a mean ".
                'that is true of neither part.';
        }

        return [...$reasons, ...$facts->joined];
    }

    /**
     * Why two areas should not share a composite.
     *
     * @return list<string>
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function between(AreaFacts $one, string $oneUse, AreaFacts $other, string $otherUse): array
    {
        $reasons = self::ofUse($one, $oneUse, $other, $otherUse);
        foreach (
            ['surfaces' => 'surface', 'slopes' => 'place on the slope', 'textures' => 'texture'] as $list => $word
        ) {
            if ($one->{$list} !== [] && $other->{$list} !== [] && $one->{$list} !== $other->{$list}) {
                $reasons[] = "Their {$word} differs.";
            }
        }
        $got = static fn (AreaFacts $facts): array => array_unique(
            array_map(static fn (array $event): string => "{$event['kind']} in {$event['on']}", $facts->events),
        );
        $apart = [...array_diff($got($one), $got($other)), ...array_diff($got($other), $got($one))];
        foreach ($apart as $event) {
            $reasons[] = "Only one of them got {$event}.";
        }

        return $reasons;
    }

    /**
     * Those of the reasons that the facts of joined ground would not tell any more.
     *
     * @return list<string>
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function ofUse(AreaFacts $one, string $oneUse, AreaFacts $other, string $otherUse): array
    {
        [$a, $b] = [Crop::of($oneUse), Crop::of($otherUse)];
        $clash = $a->low >= $b->high || $b->low >= $a->high;

        return array_keys(
            array_filter([
                "{$a->name} wants pH {$a->low} to {$a->high}, {$b->name} {$b->low} to {$b->high}: no one answer ".
                    'fits both.' => $clash,
                "The uses differ: {$a->name} and {$b->name}." => ! $clash && $oneUse !== $otherUse,
                'Only one of the two has seen old paint, traffic or industry.' => $one->suspect() !== $other->suspect(),
            ]),
        );
    }

    /**
     * @param list<string> $codes
     * @param array<string, string> $words by code
     */
    private static function names(array $codes, array $words): string
    {
        return implode(' and ', array_map(static fn (string $code): string => $words[$code] ?? $code, $codes));
    }
}
