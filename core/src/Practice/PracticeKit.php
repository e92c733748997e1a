<?php

declare(strict_types=1);

namespace HonestCore\Practice;

/**
 * A kit for pH that reads as kits do: it leans one way, each lot another, each reader and each day another still.
 *
 * Quantity and unit: pH. Errors are normal about 0, the kit's lean, its lots and its readers drawn once; a step that was broken adds an
 * error of its own, always downwards: what was shaken or left too short shows too little of the change.
 * Source: data/practice.json.
 */
final class PracticeKit
{
    /** @var array<string, float> by lot, reader and session */
    private array $known = [];

    public readonly float $bias;

    /** @param int|null $seed where it is given, lots and readers are drawn by their names, and not by who comes first */
    public function __construct(private readonly PracticeLevel $level, private readonly Chance $chance, private readonly ?int $seed = null)
    {
        $this->bias = $chance->normal(0.0, $level->ofTool('kit', 'bias'));
    }

    /** The kit of a practice ground: the same lot and reader read alike whenever they are asked. */
    public static function ofGround(PracticeLevel $level, int $seed): self
    {
        return new self($level, Chance::named($seed, 'kit'), $seed);
    }

    /**
     * What it shows of a portion to somebody who may have broken steps on the way; the same portion, reader and turn show the same.
     *
     * @param list<string> $breaks codes of protocol breaks
     * @param float $lotOff what the lot reads off beyond what lots do
     */
    public function shown(
        float $ph,
        string $lot,
        string $reader,
        string $session,
        string $portion,
        array $breaks,
        float $lotOff = 0.0,
    ): float {
        $chance = Chance::named($this->seed ?? 0, "portion {$portion} {$reader} {$session}");
        $off = array_sum(array_map(
            fn (string $break): float => $this->level->offBy($break) ??
                -abs($chance->normal(0.0, $this->level->ofTool('kit', 'broken'))),
            $breaks,
        ));

        return $ph + $this->bias + $lotOff + $this->of('lot', $lot) + $this->of('reader', $reader) +
            $this->of('session', "{$session} {$reader}") + $chance->normal(0.0, $this->level->ofTool('kit', 'repeat')) + $off;
    }

    public function read(float $ph, string $lot, string $reader, string $session, bool $isBroken = false): float
    {
        return $ph + $this->bias + $this->of('lot', $lot) + $this->of('reader', $reader) + $this->of('session', "{$session} {$reader}") +
            $this->chance->normal(0.0, $this->level->ofTool('kit', 'repeat')) -
            ($isBroken ? abs($this->chance->normal(0.0, $this->level->ofTool('kit', 'broken'))) : 0.0);
    }

    /** Is a step broken this time, where nobody tries not to? */
    public function isBroken(): bool
    {
        return $this->chance->happens($this->level->ofTool('kit', 'breaks'));
    }

    /** What it leans by with a lot and a reader, over many days: nobody but the practice ground knows it. */
    public function lean(string $lot, string $reader): float
    {
        return $this->bias + $this->of('lot', $lot) + $this->of('reader', $reader);
    }

    private function of(string $what, string $which): float
    {
        $chance = $this->seed === null ? $this->chance : Chance::named($this->seed, "{$what} {$which}");

        return $this->known["{$what} {$which}"] ??= $chance->normal(0.0, $this->level->ofTool('kit', $what));
    }
}
