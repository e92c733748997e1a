<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;

/**
 * How often a test sends to the right action, by how far the soil lies from the nearest action limit: far from it every
 * test agrees, and that proves little.
 *
 * Quantity and unit: distances in the analyte's unit, or as factors on the ratio scale; steps of once, twice and four times
 *   the difference that still sizes a rate.
 * Source: Clopper & Pearson 1934 for the bounds; the steps are the product's own.
 */
final readonly class AgreementByDistance
{
    private const STEPS = [0.0, 1.0, 2.0, 4.0, INF];

    /** @param float|null $lower bound of the share; null with fewer than 5 pairs */
    private function __construct(
        public float $from,
        public ?float $to,
        public int $n,
        public int $agree,
        public ?float $lower,
    ) {}

    /**
     * @param list<array{float, bool, ActionLimits}> $pairs reference, whether the action agrees, limits of the ground
     * @return list<self> nearest first; steps without a pair too
     */
    public static function of(array $pairs, Policy $policy): array
    {
        $step = $policy->tolerance();
        $within = array_fill(0, count(self::STEPS) - 1, ['n' => 0, 'agree' => 0]);
        foreach ($pairs as [$reference, $agrees, $limits]) {
            $x = $policy->scale->of($reference);
            $apart = min(array_map(static fn (float $limit): float => abs($policy->scale->of($limit) - $x), $limits->values));
            $at = 0;
            while ($apart >= self::STEPS[$at + 1] * $step - 1e-9) {
                $at++;
            }
            $within[$at] = ['n' => $within[$at]['n'] + 1, 'agree' => $within[$at]['agree'] + ($agrees ? 1 : 0)];
        }
        $shown = static fn (float $end): float => $policy->scale === Scale::Ratio ? exp($end) : $end;

        return array_map(
            static fn (int $at, array $count): self => new self(
                $shown(self::STEPS[$at] * $step),
                is_finite(self::STEPS[$at + 1]) ? $shown(self::STEPS[$at + 1] * $step) : null,
                $count['n'],
                $count['agree'],
                $count['n'] < SortClaim::FEWEST_PAIRS
                    ? null
                    : BinomialBound::lower($count['agree'], $count['n'], $policy->confidence),
            ),
            array_keys($within),
            $within,
        );
    }

    /** @return array{from: float, to: float|null, n: int, agree: int, lower: float|null} */
    public function toArray(): array
    {
        return ['from' => $this->from, 'to' => $this->to, 'n' => $this->n, 'agree' => $this->agree, 'lower' => $this->lower];
    }
}
