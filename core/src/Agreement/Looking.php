<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ConfidenceSequence;

/**
 * How often the evidence is looked at before it is judged: once, at a number fixed beforehand, or after every pair.
 *
 * Variant: looking often, shares have bounds of a confidence sequence, and intervals of limits and spreads are taken at
 *   α · 5 / (n (n + 1)) after n results: summed over all n from 5 on, that is α.
 */
enum Looking: string
{
    case Once = 'once';
    case Often = 'often';

    public function lower(float $hits, float $trials, float $confidence): float
    {
        return $this === self::Once
            ? BinomialBound::lower($hits, $trials, $confidence)
            : ConfidenceSequence::lower($hits, $trials, $confidence);
    }

    public function upper(float $hits, float $trials, float $confidence): float
    {
        return $this === self::Once
            ? BinomialBound::upper($hits, $trials, $confidence)
            : ConfidenceSequence::upper($hits, $trials, $confidence);
    }

    public function furtherHits(float $hits, float $trials, float $share, float $confidence): int
    {
        return $this === self::Once
            ? BinomialBound::furtherHits($hits, $trials, $share, $confidence)
            : ConfidenceSequence::furtherHits($hits, $trials, $share, $confidence);
    }

    /** Confidence of an interval after n results, so that all looks together keep the stated one. */
    public function confidenceAt(int $n, float $confidence): float
    {
        return $this === self::Once ? $confidence : 1 - ((1 - $confidence) * 5) / (max(5, $n) * (max(5, $n) + 1));
    }
}
