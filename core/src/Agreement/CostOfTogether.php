<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * What it costs in pairs to hold all claims of an analyte to one error rate.
 *
 * Quantity and unit: clean pairs, none of which misses, until a sort claim stands: alone, and as the first of several.
 * Source: the bounds of the policy; Holm's first step.
 */
final readonly class CostOfTogether
{
    private function __construct(public int $claims, public int $alone, public int $together) {}

    public static function of(int $claims, Policy $policy): self
    {
        $pairs = static fn (float $confidence): int => max(
            SortClaim::FEWEST_PAIRS,
            $policy->looking->furtherHits(0, 0, $policy->required, $confidence),
        );

        return new self(
            $claims,
            $pairs($policy->confidence),
            $pairs(1 - (1 - $policy->confidence) / max(1, $claims)),
        );
    }
}
