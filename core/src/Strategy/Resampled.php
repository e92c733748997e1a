<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * How far a mean over composites may be off: by weighting the composites anew many times, with one more that nobody
 * has seen.
 *
 * Rule: weights of a flat Dirichlet distribution over the composites and one unseen. For the lower end that one is as
 *   cheap as can be, for the upper end as dear. Where all losses are 0 or the dearest, the interval is that of Clopper and
 *   Pearson exactly; by simulation it holds the true cost 95 % of the time or more from 20 composites on.
 * Source: Rubin 1981, the Bayesian bootstrap; the unseen composite: the product's own, after Clopper & Pearson 1934.
 */
final readonly class Resampled
{
    private const TIMES = 1000;

    /** @param non-empty-list<array{list<float>, float}> $weights of the composites, and of the unseen one; they sum to 1 */
    private function __construct(private array $weights) {}

    public static function of(int $composites, int $seed): self
    {
        $random = new Randomizer(new Mt19937($seed));
        $weights = [];
        for ($time = 0; $time < self::TIMES; $time++) {
            [$own, $sum] = [[], 0.0];
            for ($i = 0; $i <= $composites; $i++) {
                $sum += $own[] = -log(($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31);
            }
            $unseen = (float) array_pop($own);
            $weights[] = [array_map(static fn (float $one): float => $one / $sum, $own), $unseen / $sum];
        }

        return new self($weights);
    }

    /**
     * @param list<float> $values by composite
     * @param array{float, float} $unseen the least and the most of another one
     * @return array{float, float} 95 %
     */
    public function interval(array $values, array $unseen): array
    {
        $ends = [];
        foreach ([0, 1] as $end) {
            $means = array_map(
                static fn (array $of): float => self::mean($values, $of[0]) + $of[1] * $unseen[$end],
                $this->weights,
            );
            sort($means);
            $ends[] = $means[(int) (($end === 0 ? 0.025 : 0.975) * self::TIMES) - $end];
        }

        return [$ends[0], $ends[1]];
    }

    /**
     * @param non-empty-array<string, list<float>> $rivals values by composite
     * @return array<string, float> how often each has the least mean
     */
    public function least(array $rivals): array
    {
        $won = array_fill_keys(array_keys($rivals), 0);
        foreach ($this->weights as [$own]) {
            $means = array_map(static fn (array $values): float => self::mean($values, $own), $rivals);
            asort($means);
            $won[(string) array_key_first($means)]++;
        }

        return array_map(static fn (int $times): float => $times / self::TIMES, $won);
    }

    /**
     * @param list<float> $values
     * @param list<float> $weights
     */
    private static function mean(array $values, array $weights): float
    {
        $sum = 0.0;
        foreach ($values as $i => $value) {
            $sum += $value * $weights[$i];
        }

        return $sum;
    }
}
