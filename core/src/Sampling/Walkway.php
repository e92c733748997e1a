<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\Line;

/** The usable stretches of a walk made of straight legs, metres. */
final readonly class Walkway
{
    /** @param list<array{line: Line, stretches: non-empty-list<array{float, float}>, length: float}> $legs */
    private function __construct(private array $legs, public float $lengthM) {}

    /** @param list<array{float, float}> $turns */
    public static function along(Ground $ground, array $turns): self
    {
        [$legs, $total] = [[], 0.0];
        for ($i = 1, $n = count($turns); $i < $n; $i++) {
            $line = Line::through($turns[$i - 1], $turns[$i]);
            [$end] = $line->local(...$turns[$i]);
            $stretches = Intervals::both($ground->onLine($line), [[0.0, $end]]);
            if ($stretches !== []) {
                $length = Intervals::length($stretches);
                $legs[] = ['line' => $line, 'stretches' => $stretches, 'length' => $length];
                $total += $length;
            }
        }

        return new self($legs, $total);
    }

    /**
     * Points at even steps, the first at a fraction of a step.
     *
     * @return list<array{float, float}> empty when nothing of the walk is usable
     */
    public function steps(int $count, float $start): array
    {
        $points = [];
        [$leg, $before] = [0, 0.0];
        for ($i = 0; $i < $count && $this->legs !== []; $i++) {
            $distance = (($i + $start) * $this->lengthM) / $count;
            while ($leg < count($this->legs) - 1 && $distance > $before + $this->legs[$leg]['length']) {
                $before += $this->legs[$leg++]['length'];
            }
            ['line' => $line, 'stretches' => $stretches] = $this->legs[$leg];
            $points[] = $line->at(Intervals::at($stretches, $distance - $before));
        }

        return $points;
    }
}
