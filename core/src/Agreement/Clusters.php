<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * Which pairs share a session, a lot or a day, and so tell less than as many independent ones.
 *
 * Quantity and unit: the design effect is a factor, 1 or more: so many pairs are worth one that stands alone.
 * Domain: one name for each pair, in their order.
 * Source: design effect 1 + (m0 - 1) ICC (Kish 1965), m0 = sum m^2 / n; ICC by one-way analysis of variance with
 * unequal sizes
 *   (Donner 1986), held between 0.05 and 1.
 */
final readonly class Clusters
{
    /** Fewer clusters than these prove and refute nothing. */
    public const FEWEST = 3;

    private const LEAST_ICC = 0.05;

    /**
     * @param list<string>|null $names of the cluster of each pair; null where every pair stands alone and nothing was
     *                                 said of it
     */
    private function __construct(private ?array $names) {}

    public static function none(): self
    {
        return new self(null);
    }

    /**
     * @param iterable<PairedSample> $samples
     *
     * @throws ValueOutOfRange when some pairs name a cluster and others do not
     */
    public static function of(iterable $samples): self
    {
        [$names, $count] = [[], 0];
        foreach ($samples as $sample) {
            $count++;
            if ($sample->cluster !== null) {
                $names[] = $sample->cluster;
            }
        }
        if ($names !== [] && count($names) !== $count) {
            throw new ValueOutOfRange('number_pairs_with_cluster', ['value' => count($names)]);
        }

        return new self($names === [] ? null : $names);
    }

    /** Are they too few for a verdict? */
    public function areTooFew(): bool
    {
        return $this->names !== null && $this->count() < self::FEWEST;
    }

    public function areNamed(): bool
    {
        return $this->names !== null;
    }

    public function count(): int
    {
        return count(array_unique($this->names ?? []));
    }

    /**
     * The clusters of some of the pairs.
     *
     * @param list<int> $pairs their places
     */
    public function only(array $pairs): self
    {
        $names = $this->names;

        return new self($names === null ? null : array_map(static fn (int $pair): string => $names[$pair], $pairs));
    }

    /**
     * The design effect for the mean of a figure.
     *
     * @param list<float> $values of each pair
     */
    public function effect(array $values): float
    {
        [$n, $k] = [count($values), $this->count()];
        if ($this->names === null || $k === $n || $n === 0) {
            return 1.0;
        }
        $groups = [];
        foreach ($values as $i => $value) {
            $groups[$this->names[$i]][] = $value;
        }
        $usual = array_sum(array_map(static fn (array $group): int => count($group) ** 2, $groups)) / $n;

        return 1 + ($usual - 1) * self::correlation(array_values($groups), $n, $usual);
    }

    /**
     * By how much the effect grows because it was estimated from few clusters: the square of two Student quantiles'
     * ratio.
     */
    public function penalty(int $pairs, float $confidence): float
    {
        $k = $this->count();

        return $this->names === null || $k === 1 || $k === $pairs
            ? 1.0
            : (StudentT::quantile($confidence, $k - 1) / StudentT::quantile($confidence, $pairs - 1)) ** 2;
    }

    /** @param list<non-empty-list<float>> $groups */
    private static function correlation(array $groups, int $n, float $usual): float
    {
        $k = count($groups);
        if ($k < 2) {
            return self::LEAST_ICC;
        }
        $all = Spread::mean(array_merge(...$groups));
        [$within, $between] = [0.0, 0.0];
        foreach ($groups as $group) {
            $within += Spread::sumOfSquares($group);
            $between += count($group) * (Spread::mean($group) - $all) ** 2;
        }
        [$within, $between] = [$within / ($n - $k), $between / ($k - 1)];
        $below = $between + (($n - $usual) / ($k - 1) - 1) * $within;

        return $below > 0 ? min(1.0, max(self::LEAST_ICC, ($between - $within) / $below)) : self::LEAST_ICC;
    }
}
