<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * Rounds of an area for one analyte over the years, in stretches: nothing is drawn or reckoned across a break.
 *
 * Quantity and unit: see SeriesPoint.
 * Rule: a change of lab, extractant, method, layer or season begins a new stretch; the season is held against the first round of
 * the stretch, so that it cannot creep. No trend from fewer than three points.
 * Source: data/follow-up.json, common practice.
 */
final readonly class SoilSeries
{
    /**
     * @param list<array{points: non-empty-list<SeriesPoint>, breaks: list<string>, trend: SeriesTrend|null}> $stretches
     * @param list<SeriesPoint> $aside results of the same rounds by other methods, which the line does not go through
     */
    private function __construct(public array $stretches, public array $aside) {}

    /** @param list<SeriesPoint> $points in any order */
    public static function of(array $points): self
    {
        $rules = new Fields(RuleTable::named('follow-up'));
        [$days, $fewest] = [$rules->whole('same_season_days'), $rules->whole('fewest_points')];
        usort($points, static fn (SeriesPoint $a, SeriesPoint $b): int => [$a->on, $a->method] <=> [$b->on, $b->method]);
        /** @var list<non-empty-list<SeriesPoint>> $runs */
        [$runs, $before, $aside] = [[], [], []];
        foreach (self::rounds($points) as $round) {
            $last = count($runs) - 1;
            $point = self::carriesOn($round, $last < 0 ? null : $runs[$last][0]);
            array_push($aside, ...array_values(array_filter($round, static fn (SeriesPoint $one): bool => $one !== $point)));
            $breaks = $last < 0 ? [] : self::breaks($runs[$last], $point, $days);
            if ($last < 0 || $breaks !== []) {
                $runs[] = [$point];
                $before[] = $breaks;
            } else {
                $runs[$last][] = $point;
            }
        }
        $stretches = [];
        foreach ($runs as $i => $run) {
            $stretches[] = ['points' => $run, 'breaks' => $before[$i] ?? [], 'trend' => SeriesTrend::of($run, $fewest)];
        }

        return new self($stretches, $aside);
    }

    /**
     * @param list<SeriesPoint> $points in the order of their days
     * @return list<non-empty-list<SeriesPoint>> those of one day and layer together
     */
    private static function rounds(array $points): array
    {
        $rounds = [];
        foreach ($points as $point) {
            $rounds["{$point->on} {$point->layer}"][] = $point;
        }

        return array_values($rounds);
    }

    /**
     * Of several methods of one round the one that the line came by, else the first.
     *
     * @param non-empty-list<SeriesPoint> $round
     */
    private static function carriesOn(array $round, ?SeriesPoint $before): SeriesPoint
    {
        foreach ($round as $point) {
            if ($before !== null && $point->breaksFrom($before, PHP_INT_MAX) === []) {
                return $point;
            }
        }

        return $round[0];
    }

    /**
     * @param non-empty-list<SeriesPoint> $before
     * @return list<string>
     */
    private static function breaks(array $before, SeriesPoint $point, int $days): array
    {
        return array_values(
            array_unique([
                ...$point->breaksFrom($before[count($before) - 1], PHP_INT_MAX),
                ...$point->breaksFrom($before[0], $days),
            ]),
        );
    }
}
