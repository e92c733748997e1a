<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;

/**
 * How many differences are no larger than what is allowed, and what share of all that proves, whatever their shape.
 *
 * Quantity and unit: counts of pairs; bounds of a share, 0 to 1, each at the stated confidence alone.
 * Domain: 1 pair or more; a difference within 1e-9 of what is allowed counts as reaching it.
 * Source: see BinomialBound and Clusters.
 */
final readonly class ShareWithin
{
    private function __construct(public int $n, public int $of, public float $lower, public float $upper) {}

    /** @param non-empty-list<float> $differences */
    public static function of(array $differences, float $allowed, float $confidence, Clusters $clusters): self
    {
        $hits = array_map(
            static fn (float $one): float => abs($one) <= $allowed + BinomialBound::REACHED ? 1.0 : 0.0,
            $differences,
        );
        [$n, $of, $effect] = [(int) array_sum($hits), count($hits), $clusters->effect($hits)];

        return new self(
            $n,
            $of,
            BinomialBound::lower($n / $effect, $of / $effect, $confidence),
            BinomialBound::upper($n / $effect, $of / $effect, $confidence),
        );
    }

    /** @return array{n: int, of: int, lower: float, upper: float} */
    public function toArray(): array
    {
        return ['n' => $this->n, 'of' => $this->of, 'lower' => $this->lower, 'upper' => $this->upper];
    }
}
