<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Statistics\Spread;

/**
 * One round of an area: its composites of one layer by one method, taken together.
 *
 * Quantity and unit: the home unit of the analyte; `u` the standard uncertainty of one composite's result, sampling included,
 * null where nobody knows it; the day as Y-m-d.
 * Domain: at least one value.
 */
final readonly class SeriesPoint
{
    /**
     * @param non-empty-array<int|string, float> $values by plot: the number of the part, or 0 for an area in one
     * @param list<string> $codes of the composites
     */
    public function __construct(
        public string $on,
        public array $values,
        public ?float $u,
        public string $method,
        public string $lab,
        public string $extractant,
        public string $layer,
        public array $codes,
    ) {}

    public function mean(): float
    {
        return Spread::mean(array_values($this->values));
    }

    /** @param list<int|string> $plots that are kept; all where none of them is there */
    public function onlyPlots(array $plots): self
    {
        $kept = array_intersect_key($this->values, array_fill_keys($plots, true));

        return $kept === [] || count($kept) === count($this->values)
            ? $this
            : new self($this->on, $kept, $this->u, $this->method, $this->lab, $this->extractant, $this->layer, $this->codes);
    }

    /** Standard uncertainty of the mean; null where that of a result is not known. */
    public function uMean(): ?float
    {
        return $this->u === null ? null : $this->u / sqrt(count($this->values));
    }

    /**
     * Why this round may not be compared with an earlier one; none where it may.
     *
     * @return list<string>
     */
    public function breaksFrom(self $earlier, int $sameSeasonDays): array
    {
        return array_values(
            array_filter([
                $this->lab === $earlier->lab ? '' : "The lab changed, from {$earlier->lab} to {$this->lab}.",
                $this->extractant === $earlier->extractant
                    ? ($this->lab === $earlier->lab && $this->method !== $earlier->method
                        ? "The method changed, from {$earlier->method} to {$this->method}."
                        : '')
                    : 'The extractant changed, from '.($earlier->extractant === '' ? 'one not named' : $earlier->extractant).' to '.
                        ($this->extractant === '' ? 'one not named' : $this->extractant).'.',
                $this->layer === $earlier->layer ? '' : "The layer changed, from {$earlier->layer} to {$this->layer}.",
                self::apart($earlier->on, $this->on) <= $sameSeasonDays
                    ? ''
                    : 'The season changed: pulled in '.self::month($earlier->on).' then, in '.self::month($this->on).' now.',
            ], static fn (string $why): bool => $why !== ''),
        );
    }

    /** Days between two days of the year, whatever their years: 183 at most. */
    public static function apart(string $one, string $other): int
    {
        $day = static fn (string $on): int => (int) (new \DateTimeImmutable($on))->format('z');
        $between = abs($day($one) - $day($other));

        return min($between, 365 - min(365, $between));
    }

    private static function month(string $on): string
    {
        return (new \DateTimeImmutable($on))->format('F');
    }
}
