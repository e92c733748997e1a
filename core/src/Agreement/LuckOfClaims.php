<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Many claims are judged, each at its own confidence: were none of them true, some would stand by luck all the same.
 *
 * Quantity: a count that is to be expected, and the chance that there is one at all, where claims are independent.
 * Source: sum and product of the single risks, any textbook on multiple tests.
 */
final readonly class LuckOfClaims
{
    private function __construct(public int $judged, public float $expected, public float $anyAtAll) {}

    /** @param list<float> $confidences of each claim that is judged */
    public static function of(array $confidences): self
    {
        $expected = array_sum(array_map(static fn (float $confidence): float => 1 - $confidence, $confidences));

        return new self(count($confidences), (float) $expected, $confidences === [] ? 0.0 : 1 - (float) array_product($confidences));
    }
}
