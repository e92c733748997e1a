<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * When each product of a program goes on.
 *
 * Quantity and unit: calendar days; amounts in lb an acre of product.
 * Rule: lime and sulphur months before the crop, phosphate and potash before planting, nitrogen in its dressings,
 * micronutrients in season, slow organic sources late summer or late winter. A day that has gone by is today, and says so.
 * A product is timed by the most urgent of what it was chosen for.
 * Source: data/program-rules.json, common practice.
 */
final class SpreadDays
{
    private const MICROS = ['zn', 'mn', 'cu', 'fe', 'b'];

    /**
     * @param array<string, float> $amounts lb an acre of product
     * @param array<string, ShelfProduct> $shelf
     * @param list<array{day: float|null, lb_per_acre: float}> $dressings of nitrogen
     * @return list<array{product: string, on: string, lb_per_acre: float, what: string, late: bool}> the soonest first
     */
    public static function of(
        array $amounts,
        array $shelf,
        array $dressings,
        \DateTimeImmutable $plantOn,
        \DateTimeImmutable $today,
        bool $needsNitrogen,
    ): array {
        $days = [];
        foreach ($amounts as $code => $pounds) {
            $product = $shelf[$code] ?? null;
            if ($product === null) {
                continue;
            }
            foreach (self::parts($product, $pounds, $dressings, $plantOn, $today, $needsNitrogen) as [$on, $part, $what]) {
                $late = $on < $today;
                $days[] = [
                    'product' => $code,
                    'on' => ($late ? $today : $on)->format('Y-m-d'),
                    'lb_per_acre' => $part,
                    'what' => $late ? "{$what}; its time was {$on->format('j M Y')}: as soon as you can" : $what,
                    'late' => $late,
                ];
            }
        }
        usort($days, static fn (array $a, array $b): int => [$a['on'], $a['product']] <=> [$b['on'], $b['product']]);

        return $days;
    }

    /**
     * @param list<array{day: float|null, lb_per_acre: float}> $dressings
     * @return list<array{\DateTimeImmutable, float, string}>
     */
    private static function parts(
        ShelfProduct $product,
        float $pounds,
        array $dressings,
        \DateTimeImmutable $plantOn,
        \DateTimeImmutable $today,
        bool $needsNitrogen,
    ): array {
        $rules = new Fields(RuleTable::named('program-rules'));
        $before = static fn (string $rule): \DateTimeImmutable => $plantOn->modify("-{$rules->whole($rule)} days");
        $isMicro = array_intersect(self::MICROS, array_keys($product->grades)) !== [];

        return match (true) {
            $product->lime !== null => [[$before('lime_days'), $pounds, 'It works over months: half a year before the crop']],
            $product->kind === 'sulphur' => [[$before('lime_days'), $pounds, 'It works over months, in warm soil']],
            $product->isSlow => [[self::slow($rules, $plantOn, $today), $pounds, 'It has to rot first: late summer or late winter']],
            $isMicro => [[$plantOn->modify("+{$rules->whole('micro_days')} days"), $pounds, 'In season, when the leaves show it']],
            $needsNitrogen && isset($product->grades['n']) && ! isset($product->grades['p2o5'])
                => self::split($pounds, $dressings, $plantOn, $rules->whole('dressings_days')),
            default => [[$before('nutrient_days'), $pounds, 'Before planting, worked in']],
        };
    }

    /**
     * @param list<array{day: float|null, lb_per_acre: float}> $dressings
     * @return list<array{\DateTimeImmutable, float, string}>
     */
    private static function split(float $pounds, array $dressings, \DateTimeImmutable $plantOn, int $between): array
    {
        $whole = array_sum(array_column($dressings, 'lb_per_acre'));
        $parts = [];
        foreach ($whole > 0 ? $dressings : [] as $i => $dressing) {
            $days = $dressing['day'] === null ? $i * $between : (int) round($dressing['day']);
            $parts[] = [
                $plantOn->modify("+{$days} days"),
                ($pounds * $dressing['lb_per_acre']) / $whole,
                $days === 0 ? 'At planting' : "{$days} days after planting",
            ];
        }

        return $parts === [] ? [[$plantOn, $pounds, 'At planting']] : $parts;
    }

    /** The last late summer or late winter that leaves it time to rot; when that has gone by, the next before planting. */
    private static function slow(Fields $rules, \DateTimeImmutable $plantOn, \DateTimeImmutable $today): \DateTimeImmutable
    {
        $latest = $plantOn->modify("-{$rules->whole('slow_days')} days");
        $year = (int) $latest->format('Y');
        $found = $next = null;
        foreach ([$year - 1, $year, $year + 1] as $one) {
            foreach (['late_winter', 'late_summer'] as $season) {
                $day = new \DateTimeImmutable("{$one}-{$rules->text($season)}", $plantOn->getTimezone());
                $found = $day <= $latest ? $day : $found;
                $next ??= $day >= $today && $day < $plantOn ? $day : null;
            }
        }

        return $found === null || ($found < $today && $next !== null) ? $next ?? $latest : $found;
    }
}
