<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Response\PlotChanges;

/**
 * Two rounds of treated ground, and of its control where there is one, as plots that can be compared.
 *
 * Quantity and unit: the analyte's unit.
 * Rule: plots that both rounds have, where there are two or more, are plots; else the means of the rounds are one plot, whose
 * uncertainty shrinks with the composites behind them.
 * Variant: `response:check` takes se = u sqrt(2/nT + 2/nC); for means of b and a composites the u handed to it is the one for which
 * that is u sqrt(1/bT + 1/aT + 1/bC + 1/aC).
 */
final readonly class Compared
{
    private function __construct(public PlotChanges $plots, public ?float $u) {}

    /** @param float|null $u standard uncertainty of one composite's result, sampling included */
    public static function of(
        SeriesPoint $before,
        SeriesPoint $after,
        ?SeriesPoint $controlBefore,
        ?SeriesPoint $controlAfter,
        ?float $u,
    ): self {
        $treated = self::changes($before, $after);
        $control = $controlBefore === null || $controlAfter === null ? [] : self::changes($controlBefore, $controlAfter);
        $ends = count($treated) > 1 ? 2 / count($treated) : 1 / count($before->values) + 1 / count($after->values);
        $asked = 2 / count($treated);
        if ($control !== [] && $controlBefore !== null && $controlAfter !== null) {
            $ends += count($control) > 1
                ? 2 / count($control)
                : 1 / count($controlBefore->values) + 1 / count($controlAfter->values);
            $asked += 2 / count($control);
        }

        return new self(PlotChanges::of($treated, $control), $u === null ? null : $u * sqrt($ends / $asked));
    }

    /** @return non-empty-list<float> */
    private static function changes(SeriesPoint $before, SeriesPoint $after): array
    {
        $both = array_intersect_key($before->values, $after->values);
        if (count($both) < 2) {
            return [$after->mean() - $before->mean()];
        }
        $changes = [];
        foreach ($both as $plot => $value) {
            $changes[] = $after->values[$plot] - $value;
        }

        return $changes;
    }
}
