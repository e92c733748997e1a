<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\BadOption;

/** The ordered, non-overlapping bands of an ordinal test. */
final readonly class Bands
{
    private const ACCEPTED = 'name:lower:upper, parted by commas, such as Low:0:6,Mid:6:7.3,High:7.3:';

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
            throw BadOption::because('bands', 'there is none', self::ACCEPTED);
        }
        usort($bands, static fn (Band $a, Band $b): int => $a->lower <=> $b->lower);
        $names = [];
        foreach ($bands as $i => $band) {
            if ($band->lower >= $band->upper) {
                throw BadOption::because('bands', "{$band->name} does not end above its start", self::ACCEPTED);
            }
            if ($i > 0 && $band->lower < $bands[$i - 1]->upper) {
                throw BadOption::because('bands', "{$band->name} overlaps {$bands[$i - 1]->name}", 'bands that do not overlap');
            }
            if (isset($names[$band->name])) {
                throw BadOption::because('bands', "{$band->name} stands twice", 'names that differ');
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
                throw BadOption::because('bands', "\"{$part}\" is no band", self::ACCEPTED);
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
     * Position of a reference value counted in bands; between two bands it is a half.
     *
     * @pure
     */
    public function position(float $reference): float
    {
        $position = -0.5;
        foreach ($this->bands as $i => $band) {
            if ($band->contains($reference)) {
                return $i;
            }
            if ($reference >= $band->upper) {
                $position = $i + 0.5;
            }
        }

        return $position;
    }

    /**
     * Median of replicate bands. Of two middle bands the one farther from the reference, counted in
     * bands; of two equally far the one in another action class than the reference, else the lower.
     *
     * @param non-empty-list<Band> $replicates
     */
    public function median(array $replicates, float $reference, ActionLimits $limits): Band
    {
        usort($replicates, static fn (Band $a, Band $b): int => $a->lower <=> $b->lower);
        $n = count($replicates);
        $upper = $replicates[intdiv($n, 2)];
        $lower = $replicates[intdiv($n - 1, 2)];
        if ($lower === $upper) {
            return $lower;
        }
        $at = $this->position($reference);
        $below = abs((int) array_search($lower, $this->bands, true) - $at);
        $above = abs((int) array_search($upper, $this->bands, true) - $at);
        if ($below !== $above) {
            return $below > $above ? $lower : $upper;
        }
        $class = $limits->classOf($reference);

        return $lower->classIn($limits) === $class && $upper->classIn($limits) !== $class ? $upper : $lower;
    }

    /** @throws BadOption */
    private static function end(string $text, float $open, string $part): float
    {
        $text = trim($text);
        if ($text === '') {
            return $open;
        }
        if (! is_numeric($text) || ! is_finite((float) $text)) {
            throw BadOption::because('bands', "\"{$text}\" in \"{$part}\" is not a number", self::ACCEPTED);
        }

        return (float) $text;
    }
}
