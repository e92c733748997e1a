<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Exceptions\Conflict;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;

/** What a test of the bench shows of a composite of practice. */
final class ReadByKit
{
    public const OWN = 'whoever practises';

    /** What lies within this of the edge of its band is seen as lying between two. */
    private const BETWEEN = 0.08;

    /**
     * @param string $session what was read together
     * @param string $turn which tube of it, or the how-manieth reading of the portion: each errs by itself; empty for the first
     * @param list<string> $breaks codes of protocol breaks
     */
    public function ph(
        PracticeField $field,
        Sample $sample,
        TestMethod $test,
        string $lot,
        string $reader,
        string $session,
        string $turn,
        array $breaks,
    ): float {
        $soil = PracticeSoil::ofSample($sample->id) ?? throw Conflict::because('practice_no_instrument');
        $ph = $soil->holds['ph'] ?? throw Conflict::because('practice_no_instrument');

        // Whoever practises has the same eyes as everybody on this ground, so that results differ by what was done.
        $eyes = $reader === $field->loadMissing('user')->user->name ? self::OWN : $reader;

        return $field->kit($test->code)
            ->shown($ph, $lot, $eyes, $session, "sample {$sample->number}{$turn}", $breaks, $field->lotOff($test->code, $lot));
    }

    /** The band of a card that a pH is nearest to. */
    public function band(TestMethod $method, float $ph): string
    {
        return $this->nearest($method->scale()->bands ?? [], $ph)[0]->name ?? sprintf('%.1f', $ph);
    }

    /** What is seen, in words: the person chooses by them what to record. */
    public function words(?Bands $card, float $ph): string
    {
        $near = $this->nearest($card->bands ?? [], $ph);
        if ($near === []) {
            return sprintf('It shows %.2f.', $ph);
        }
        [$band, $next] = [$near[0], $near[1] ?? null];
        $toEdge = min(abs($ph - $band->lower), abs($band->upper - $ph));

        return $next !== null && $toEdge < self::BETWEEN
            ? "The colour lies between {$band->name} and {$next->name}, nearer to {$band->name}."
            : "The colour is that of {$band->name}.";
    }

    /**
     * @param array<Band> $bands
     * @return list<Band> the nearest first
     */
    private function nearest(array $bands, float $ph): array
    {
        $bands = array_values($bands);
        usort($bands, static fn (Band $a, Band $b): int => self::away($a, $ph) <=> self::away($b, $ph));

        return $bands;
    }

    private static function away(Band $band, float $ph): float
    {
        return abs(($band->lower + $band->upper) / 2 - $ph);
    }
}
