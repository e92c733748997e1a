<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

use HonestCore\Error\ValueOutOfRange;

/**
 * One-sided exact bounds of a proportion.
 *
 * Quantity and unit: proportion, 0 to 1.
 * Domain: 0 <= hits <= trials, trials above 0, effective ones too, which need not be whole; confidence strictly
 * between 0 and 1.
 * Variant: each bound alone has the stated confidence (not a two-sided interval).
 * Accuracy: 1e-12 from R's binom.test.
 * Source: Clopper & Pearson 1934, Biometrika 26:404-413.
 */
final class BinomialBound
{
    /** A bound within so little of a share counts as reaching it. */
    public const REACHED = 1e-9;

    /** @throws ValueOutOfRange */
    public static function lower(float $hits, float $trials, float $confidence): float
    {
        self::check($hits, $trials);
        $alpha = 1 - $confidence;
        if ($hits <= 0.0) {
            return 0.0;
        }
        if ($hits === $trials) {
            return $alpha ** (1 / $trials);
        }

        return Root::between(
            static fn (float $p): float => IncompleteBeta::of($hits, $trials - $hits + 1, $p) - $alpha,
            0.0,
            1.0,
        );
    }

    /** @throws ValueOutOfRange */
    public static function upper(float $hits, float $trials, float $confidence): float
    {
        return 1 - self::lower($trials - $hits, $trials, $confidence);
    }

    /**
     * Fewest further trials, all hits, after which the lower bound reaches a share.
     *
     * @throws ValueOutOfRange unless the share is below 1
     */
    public static function furtherHits(float $hits, float $trials, float $share, float $confidence): int
    {
        if ($share >= 1) {
            throw new ValueOutOfRange('share_prove', ['value' => $share]);
        }

        return Fewest::from(
            0,
            static fn (int $more): bool => $trials + $more > 0 &&
                self::lower($hits + $more, $trials + $more, $confidence) >= $share - self::REACHED,
        );
    }

    /**
     * Chance of so many hits or more at one half: exact to 50 trials, so that a share that is met is met.
     *
     * Domain: trials from 0.
     */
    public static function byLuck(int $hits, int $trials): float
    {
        if ($hits <= 0) {
            return 1.0;
        }
        if ($trials > 50) {
            return IncompleteBeta::of($hits, $trials - $hits + 1, 0.5);
        }
        [$ways, $sum] = [1, 0];
        for ($k = $trials; $k >= $hits; $k--) {
            $sum += $ways;
            $ways = intdiv($ways * $k, $trials - $k + 1);
        }

        return $sum / 2 ** $trials;
    }

    /** @throws ValueOutOfRange */
    private static function check(float $hits, float $trials): void
    {
        if (! ($trials > 0)) {
            throw new ValueOutOfRange('trials', ['value' => $trials]);
        }
        if ($hits < 0 || $hits > $trials) {
            throw new ValueOutOfRange('hits', ['value' => $hits, 'trials' => $trials]);
        }
    }
}
