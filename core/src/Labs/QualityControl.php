<?php

declare(strict_types=1);

namespace HonestCore\Labs;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\ChiSquare;
use HonestCore\Table\RuleTable;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What duplicates in a plan cost and buy.
 *
 * Quantity and unit: a count of pairs; the factors by which the true standard deviation may lie below and above the
 * one found
 *   from them (95 %). Duplicate composites tell sampling and lab together, hidden duplicates the lab alone.
 * Domain: 0 to 1000 pairs; no interval from none.
 * Source: chi-square interval of a standard deviation, one degree of freedom a pair: s = sqrt(sum d^2 / 2n).
 */
final readonly class QualityControl
{
    private function __construct(public int $pairs, public ?float $low, public ?float $high) {}

    /** @throws ValueOutOfRange */
    public static function ofPairs(int $pairs): self
    {
        if ($pairs < 0 || $pairs > 1000) {
            throw new ValueOutOfRange('duplicates', ['value' => $pairs, 'low' => 0, 'high' => 1000]);
        }
        if ($pairs === 0) {
            return new self(0, null, null);
        }
        /** @var array{confidence: float} $table */
        $table = RuleTable::named('quality');
        $tail = (1 - $table['confidence']) / 2;

        return new self(
            $pairs,
            sqrt($pairs / ChiSquare::quantile(1 - $tail, $pairs)),
            sqrt($pairs / ChiSquare::quantile($tail, $pairs)),
        );
    }

    /** How many of each are usual for so many composites: one in ten, at least one from five on. */
    public static function usual(int $composites): int
    {
        /** @var array{per: int} $table */
        $table = RuleTable::named('quality');

        return $composites < $table['per'] / 2 ? 0 : max(1, (int) round($composites / $table['per']));
    }

    /**
     * Which of the composites are doubled, by seed: the same ones each time, and more of them with a larger count.
     *
     * @return list<int> numbers from 1, in their order
     */
    public static function pick(int $composites, int $count, int $seed): array
    {
        $numbers = $composites < 1 ? [] : (new Randomizer(new Mt19937($seed)))->shuffleArray(range(1, $composites));
        $picked = array_slice($numbers, 0, max(0, $count));
        sort($picked);

        return $picked;
    }

    public function words(string $what): string
    {
        return match (true) {
            $this->low === null || $this->high === null => "No pair: this plan says nothing about the spread of {$what}.",
            $this->pairs < 3 => sprintf(
                '%d %s: the spread of %s is known only within a factor of %.1f to %.0f; add those of other plans.',
                $this->pairs,
                $this->pairs === 1 ? 'pair' : 'pairs',
                $what,
                $this->low,
                $this->high,
            ),
            default => sprintf(
                '%d pairs: the true spread of %s lies between %.2f and %.1f times the one found.',
                $this->pairs,
                $what,
                $this->low,
                $this->high,
            ),
        };
    }
}
