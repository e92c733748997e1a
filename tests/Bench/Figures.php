<?php

declare(strict_types=1);

namespace Tests\Bench;

/** Medians, ninety-fifths and ratios of measured times. */
final class Figures
{
    /** @param non-empty-list<float> $values */
    public static function share(array $values, float $share): float
    {
        sort($values);
        $at = $share * (count($values) - 1);
        $low = (int) floor($at);

        return $values[$low] + ($at - $low) * ($values[min($low + 1, count($values) - 1)] - $values[$low]);
    }

    /**
     * @param non-empty-list<float> $times
     * @param non-empty-list<float> $empty of the empty route, taken in between
     * @return array{median_ms: float, p95_ms: float, ratio: float, p95_ratio: float}
     */
    public static function of(array $times, array $empty): array
    {
        [$median, $high] = [self::share($times, 0.5), self::share($times, 0.95)];

        return [
            'median_ms' => round($median, 1),
            'p95_ms' => round($high, 1),
            'ratio' => round($median / self::share($empty, 0.5), 2),
            'p95_ratio' => round($high / self::share($empty, 0.95), 2),
        ];
    }
}
