<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\BadOption;

/** The ordered, non-overlapping bands of an ordinal test. */
final readonly class Bands
{
    /** @param non-empty-list<Band> $bands ascending */
    private function __construct(public array $bands) {}

    /**
     * @param list<Band> $bands
     *
     * @throws BadOption
     */
    public static function of(array $bands): self
    {
        if ($bands === []) {
            throw new BadOption('no_bands');
        }
        usort($bands, static fn (Band $a, Band $b): int => $a->lower <=> $b->lower);
        $names = [];
        foreach ($bands as $i => $band) {
            if ($band->lower >= $band->upper) {
                throw new BadOption('band_upside_down', ['band' => $band->name]);
            }
            if ($i > 0 && $band->lower < $bands[$i - 1]->upper) {
                throw new BadOption('bands_overlap', [
                    'band' => $band->name,
                    'other' => $bands[$i - 1]->name,
                ]);
            }
            if (isset($names[$band->name])) {
                throw new BadOption('band_twice', ['band' => $band->name]);
            }
            $names[$band->name] = true;
        }

        return new self($bands);
    }

    /**
     * Reads the notation "Low:0:6,Mid:6:7.3,High:7.3:"; an empty end is open.
     *
     * @throws BadOption
     */
    public static function parse(string $notation): self
    {
        $bands = [];
        foreach (explode(',', $notation) as $part) {
            if (preg_match('/^\s*(.*\S)\s*:([^:]*):([^:]*)$/su', $part, $m) !== 1) {
                throw new BadOption('no_band', ['part' => $part]);
            }
            $bands[] = new Band($m[1], self::end($m[2], -INF, $part), self::end($m[3], INF, $part));
        }

        return self::of($bands);
    }

    public function named(string $name): ?Band
    {
        foreach ($this->bands as $band) {
            if ($band->name === $name) {
                return $band;
            }
        }

        return null;
    }

    /**
     * The one or two bands in the middle of replicates.
     *
     * @param non-empty-list<Band> $replicates
     * @return non-empty-list<Band>
     */
    public static function middles(array $replicates): array
    {
        usort($replicates, static fn (Band $a, Band $b): int => $a->lower + $a->upper <=> $b->lower + $b->upper);
        [$lower, $upper] = [$replicates[intdiv(count($replicates) - 1, 2)], $replicates[intdiv(count($replicates), 2)]];

        return $lower->name === $upper->name ? [$lower] : [$lower, $upper];
    }

    /**
     * Median of replicate bands. Two different middle bands read as the point midway between their middles; where one
     * of them is open they sort to the class that both sort to, and cannot sort where they differ.
     *
     * @param non-empty-list<Band> $replicates
     */
    public static function median(array $replicates, ActionLimits $limits): Band
    {
        $middles = self::middles($replicates);
        if (count($middles) === 1) {
            return $middles[0];
        }
        [$lower, $upper] = $middles;
        $name = "{$lower->name} and {$upper->name}";
        if (! $lower->isOpen() && ! $upper->isOpen()) {
            return new Band($name, ($lower->lower + $upper->lower) / 2, ($lower->upper + $upper->upper) / 2);
        }
        $class = $lower->classIn($limits);

        return $class !== null && $class === $upper->classIn($limits)
            ? ($lower->isOpen()
                ? $lower
                : $upper)
            : new Band($name, min($lower->lower, $upper->lower), max($lower->upper, $upper->upper));
    }

    /** @throws BadOption */
    private static function end(string $text, float $open, string $part): float
    {
        $text = trim($text);
        if ($text === '') {
            return $open;
        }
        if (! is_numeric($text) || ! is_finite((float) $text)) {
            throw new BadOption('band_limit_no_number', ['text' => $text, 'part' => $part]);
        }

        return (float) $text;
    }
}
