<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/**
 * When to begin each tube so that one pair of hands serves them all in time: the earliest start at which no step
 * of the new tube needs the hands while another tube does. Waits stretch within their tolerance.
 *
 * Quantity and unit: milliseconds.
 * Variant: first fit in the order of the tubes, each from the aimed time on; not the shortest of all plans.
 */
final class Stagger
{
    /** Past this a tube begins anyway: no plan of a person's day is longer. */
    private const FARTHEST_MS = 86_400_000;

    /** @var list<array{int, int}> the hands' time that is given away, ascending */
    private array $taken = [];

    /** @param non-empty-list<MethodStep> $steps */
    public function __construct(private readonly array $steps) {}

    /** Gives away the hands' time of a tube that is under way. */
    public function reserve(int $place, int $fromMs, int $notBeforeMs): void
    {
        $this->take($this->fit($place, max($fromMs, $notBeforeMs), true)['blocks']);
    }

    /** The earliest start of a new tube from a moment on; its hands' time is given away. */
    public function start(int $fromMs): int
    {
        $at = $fromMs;
        do {
            $fit = $this->fit(0, $at, false);
            $at += $fit['delay'];
        } while ($fit['delay'] > 0 && $at < $fromMs + self::FARTHEST_MS);
        $this->take($fit['blocks']);

        return $at;
    }

    /**
     * The blocks of hands' time of a tube whose step at a place begins at a moment.
     *
     * @param bool $anyway a tube under way cannot be put off: its blocks move later, whatever its tolerance
     * @return array{blocks: list<array{int, int}>, delay: int} with the delay after which to try again, 0 when it fits
     */
    private function fit(int $place, int $startMs, bool $anyway): array
    {
        [$blocks, $aim, $latest] = [[], $startMs, $anyway ? PHP_INT_MAX : $startMs];
        for ($i = $place, $count = count($this->steps); $i < $count; $i++) {
            $step = $this->steps[$i];
            if ($step->kind === StepKind::Wait) {
                $latest = $anyway ? PHP_INT_MAX : $aim + 1000 * (int) $step->mostS;
                $aim += 1000 * (int) $step->aimS;

                continue;
            }
            $busy = 1000 * $step->busyS();
            $at = $this->free($aim, $busy);
            if ($at > $latest) {
                return ['blocks' => $blocks, 'delay' => $at - $latest];
            }
            $blocks[] = [$at, $at + $busy];
            // What follows at once keeps its hands: a block is free to move only after a wait.
            $aim = $at + $busy;
            $latest = $anyway ? PHP_INT_MAX : $aim;
        }

        return ['blocks' => $blocks, 'delay' => 0];
    }

    /** The first moment from one on at which the hands are free for so long. */
    private function free(int $fromMs, int $forMs): int
    {
        foreach ($this->taken as [$start, $end]) {
            if ($end > $fromMs && $start < $fromMs + $forMs) {
                $fromMs = $end;
            }
        }

        return $fromMs;
    }

    /** @param list<array{int, int}> $blocks */
    private function take(array $blocks): void
    {
        $this->taken = [...$this->taken, ...$blocks];
        sort($this->taken);
    }
}
