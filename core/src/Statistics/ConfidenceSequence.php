<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

use HonestCore\Error\ValueOutOfRange;

/**
 * One-sided bounds of a proportion that hold however often one looks.
 *
 * Quantity and unit: proportion, 0 to 1.
 * Domain: 0 <= hits <= trials, trials above 0, effective ones too, which need not be whole; confidence strictly
 * between 0 and 1.
 * Variant: a likelihood ratio mixed over all shares above the one that is asked about, each weighted alike, is a bet
 * that can
 *   grow but by chance while the share is no higher: it passes 1/α at any time with a probability of no more than α.
 * The lower
 *   bound is the highest share that the bet speaks against; the upper one mirrors it.
 * Source: Ville 1939; Robbins 1970, Ann Math Stat 41:1397-1409 (beta mixture of a binomial likelihood); proved here by
 * simulation.
 */
final class ConfidenceSequence
{
    /** @throws ValueOutOfRange */
    public static function lower(float $hits, float $trials, float $confidence): float
    {
        if (! ($trials > 0) || $hits < 0 || $hits > $trials) {
            throw new ValueOutOfRange('hits_of_trials', ['value' => $hits]);
        }
        if ($hits <= 0.0) {
            return 0.0;
        }
        $needed = -log(1 - $confidence);
        $speaks = static fn (float $share): float => self::logBet($hits, $trials, $share) - $needed;
        [$low, $high] = [1e-12, max(2e-12, $hits / $trials)];
        if ($speaks($low) < 0) {
            return 0.0;
        }

        return $speaks($high) >= 0 ? $high : Root::between($speaks, $low, $high, 1e-13);
    }

    /** @throws ValueOutOfRange */
    public static function upper(float $hits, float $trials, float $confidence): float
    {
        return 1 - self::lower($trials - $hits, $trials, $confidence);
    }

    /** Fewest further trials, all hits, after which the lower bound reaches a share below 1. */
    public static function furtherHits(float $hits, float $trials, float $share, float $confidence): int
    {
        return Fewest::from(
            0,
            static fn (int $more): bool => $trials + $more > 0 &&
                self::lower($hits + $more, $trials + $more, $confidence) >= $share - BinomialBound::REACHED,
        );
    }

    /**
     * Logarithm of the bet against "the share is no higher than this": the mean of the likelihood ratios of all higher
     * shares.
     *
     * Domain: share strictly between 0 and 1.
     */
    public static function logBet(float $hits, float $trials, float $share): float
    {
        [$a, $b] = [$hits + 1.0, $trials - $hits + 1.0];
        // The part of the beta distribution above the share, by its mirror, which is exact where that part is small.
        $above = IncompleteBeta::logOf($b, $a, 1 - $share);

        return $above +
            LogGamma::of($a) +
            LogGamma::of($b) -
            LogGamma::of($a + $b) -
            log1p(-$share) -
            $hits * log($share) -
            ($trials - $hits) * log1p(-$share);
    }
}
