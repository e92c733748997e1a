<?php

declare(strict_types=1);

namespace HonestCore\Variance;

use HonestCore\Statistics\Spread;

/**
 * Robust pooled standard deviation of groups, and a robust mean of each: values far out are drawn in.
 *
 * Quantity and unit: the unit of the values.
 * Domain: groups of 2 values or more, all finite.
 * Variant: Huber's proposal 2 with c = 1.5: values are drawn in to m ± c s √((n-1)/n), the variance of what is
 * drawn in is
 *   divided by 0.7785, until nothing moves. It starts at the medians and the classical pooled variance.
 * Accuracy: iterated to 1e-13 of the variance.
 * Source: Analytical Methods Committee 1989, Analyst 114:1693-1697 and 1699-1702.
 */
final readonly class HuberSpread
{
    private const C = 1.5;

    private const BETA = 0.7785;

    private const RESOLUTION = 1e-13;

    private const MOST = 20_000;

    /** @param non-empty-list<float> $means robust, one a group */
    private function __construct(public array $means, public float $variance) {}

    /** @param non-empty-list<non-empty-list<float>> $groups */
    public static function of(array $groups): self
    {
        $means = array_map(Spread::median(...), $groups);
        $degrees = array_sum(array_map(static fn (array $group): int => count($group) - 1, $groups));
        $variance = array_sum(array_map(Spread::sumOfSquares(...), $groups)) / max(1, $degrees);
        for ($round = 0; $round < self::MOST && $variance > 0; $round++) {
            [$sum, $next, $moved] = [0.0, [], 0.0];
            foreach ($groups as $i => $group) {
                $reach = self::C * sqrt(($variance * (count($group) - 1)) / count($group));
                $drawn = array_map(
                    static fn (float $value): float => max($means[$i] - $reach, min($means[$i] + $reach, $value)),
                    $group,
                );
                $next[] = Spread::mean($drawn);
                $sum += Spread::sumOfSquares($drawn);
                $moved = max($moved, abs($next[$i] - $means[$i]));
            }
            $changed = $sum / $degrees / self::BETA;
            $still =
                abs($changed - $variance) <= self::RESOLUTION * $variance &&
                $moved <= self::RESOLUTION * sqrt($variance);
            [$means, $variance] = [$next, $changed];
            if ($still) {
                break;
            }
        }

        return new self($means, $variance);
    }
}
