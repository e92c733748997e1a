<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\ImpossibleStep;
use HonestCore\Error\ValueOutOfRange;

/**
 * One tube on its way through the steps of a method.
 *
 * Quantity and unit: moments in milliseconds, times of steps in seconds.
 * Domain: marks in the order of their moments; a step is taken from where the tube stands, and never before the one
 * before it.
 */
final class BenchTube
{
    /** Position of the hand's step it stands at; the number of steps when it is done. */
    private int $at = 0;

    private ?int $begunMs = null;

    private ?int $endedMs = null;

    private bool $givenUp = false;

    private int $attempts = 1;

    /** @var list<ObservedBreak> */
    private array $breaks = [];

    /** @var list<array{step: string, reader: string, reading: BenchReading, at_ms: int}> */
    private array $reads = [];

    /** @var list<array{step: string, seconds: float}> */
    private array $times = [];

    /**
     * @param non-empty-list<MethodStep> $steps
     * @param non-empty-list<string> $readers who read it, each once a reading step
     */
    public function __construct(
        public readonly int $number,
        private readonly array $steps,
        private readonly array $readers,
        private readonly MethodScale $scale,
    ) {}

    /**
     * @throws ImpossibleStep
     * @throws ValueOutOfRange for a reading that the scale lacks, or a break that the table lacks
     */
    public function take(Mark $mark): void
    {
        match ($mark->kind) {
            Mark::BEGIN => $this->begin($mark),
            Mark::END => $this->end($mark),
            Mark::READ => $this->read($mark),
            Mark::INCIDENT => $this->happened($mark),
            Mark::AGAIN => $this->again(),
            Mark::GIVE_UP => ($this->givenUp = $this->isOpen()
                ? true
                : throw $this->impossible('tube_not_open')),
            default => throw $this->impossible('no_such_mark', ['mark' => $mark->kind]),
        };
    }

    public function isOpen(): bool
    {
        return ! $this->givenUp && ! $this->isDone();
    }

    public function isDone(): bool
    {
        return $this->at >= count($this->steps);
    }

    public function isStarted(): bool
    {
        return $this->at > 0 || $this->begunMs !== null;
    }

    public function status(): string
    {
        return match (true) {
            $this->givenUp => 'given-up',
            $this->isDone() => 'done',
            $this->begunMs !== null => 'going',
            ! $this->isStarted() => 'new',
            $this->wait() !== null => 'waiting',
            default => 'ready',
        };
    }

    /** The step that is next for the hand, or that the hand is at. */
    public function step(): ?MethodStep
    {
        return $this->isOpen() ? $this->steps[$this->at] : null;
    }

    public function place(): int
    {
        return $this->at;
    }

    /** The wait that runs before that step. */
    public function wait(): ?MethodStep
    {
        $before = $this->at > 0 && $this->isOpen() && $this->begunMs === null ? $this->steps[$this->at - 1] : null;

        return $before?->kind === StepKind::Wait ? $before : null;
    }

    /** When what runs now began: the wait, the timed step, or being ready. */
    public function sinceMs(): ?int
    {
        return $this->begunMs ?? $this->endedMs;
    }

    /**
     * From when to when the next press of the key is in time: the end of a timed step, or the end of a wait.
     *
     * @return array{from: int, aim: int, until: int}|null null when nothing is timed now
     */
    public function window(): ?array
    {
        $timed = $this->begunMs !== null ? $this->steps[$this->at] : $this->wait();
        $since = $this->sinceMs();
        if ($timed === null || $since === null || $timed->leastS === null || $timed->kind === StepKind::Read) {
            return null;
        }

        return [
            'from' => $since + 1000 * $timed->leastS,
            'aim' => $since + 1000 * (int) $timed->aimS,
            'until' => $since + 1000 * (int) $timed->mostS,
        ];
    }

    /** From when on there is something to do for the hand; null when there is nothing more. */
    public function readyMs(): ?int
    {
        return match (true) {
            ! $this->isOpen() => null,
            $this->begunMs === null && $this->wait() !== null => $this->window()['from'] ?? $this->endedMs,
            default => 0,
        };
    }

    /** @return list<ObservedBreak> */
    public function breaks(): array
    {
        return $this->breaks;
    }

    /** @return list<array{step: string, reader: string, reading: BenchReading, at_ms: int}> */
    public function reads(): array
    {
        return $this->reads;
    }

    /** @return list<array{step: string, seconds: float}> as they really were */
    public function times(): array
    {
        return $this->times;
    }

    public function attempts(): int
    {
        return $this->attempts;
    }

    /** @return list<string> who has still to read at the step it stands at */
    public function unread(): array
    {
        $step = $this->step();

        return $step?->kind !== StepKind::Read
            ? []
            : array_values(
                array_diff(
                    $this->readers,
                    array_column(
                        array_filter($this->reads, static fn (array $read): bool => $read['step'] === $step->code),
                        'reader',
                    ),
                ),
            );
    }

    private function begin(Mark $mark): void
    {
        $step = $this->current($mark);
        if ($this->begunMs !== null) {
            throw $this->impossible('step_begun_already', ['step' => $step->do]);
        }
        if ($this->endedMs !== null && $mark->atMs < $this->endedMs) {
            throw $this->impossible('step_begun_before_the_last_ended');
        }
        $wait = $this->wait();
        if ($wait !== null) {
            $this->timed($wait, $mark->atMs - (int) $this->endedMs);
        }
        $this->begunMs = $mark->atMs;
    }

    private function end(Mark $mark): void
    {
        $step = $this->current($mark);
        if ($step->kind === StepKind::Read) {
            throw $this->impossible('reading_ends_by_what_is_read');
        }
        if ($this->begunMs === null) {
            if ($step->kind === StepKind::Timed) {
                throw $this->impossible('step_not_begun', ['step' => $step->do]);
            }
            $this->begin($mark);
        }
        $this->close($step, $mark->atMs);
    }

    private function read(Mark $mark): void
    {
        $step = $this->current($mark);
        if ($step->kind !== StepKind::Read) {
            throw $this->impossible('not_to_be_read_yet', ['step' => $step->do]);
        }
        if (! in_array($mark->reader, $this->unread(), true)) {
            throw $this->impossible('reader_not_waited_for', [
                'reader' => $mark->reader,
                'readers' => implode(', ', $this->unread()),
            ]);
        }
        $reading = $this->scale->read($mark->typed, $mark->between);
        $this->grows($mark->reader, $reading);
        if ($this->begunMs === null) {
            $this->begin($mark);
        }
        $this->forward($mark->atMs);
        $this->reads[] = [
            'step' => $step->code,
            'reader' => $mark->reader,
            'reading' => $reading,
            'at_ms' => $mark->atMs,
        ];
        if ($this->unread() === []) {
            $this->close($step, $mark->atMs);
        }
    }

    /** Settled layers only grow from one reading of a jar to the next. */
    private function grows(string $reader, BenchReading $reading): void
    {
        foreach ($this->scale->kind === ScaleKind::Heights ? $this->reads : [] as $read) {
            if ($read['reader'] === $reader && $read['reading']->number > $reading->number) {
                throw new ValueOutOfRange('layer_shrinks', [
                    'tube' => $this->number,
                    'value' => $reading->number,
                    'before' => $read['reading']->number,
                ]);
            }
        }
    }

    private function happened(Mark $mark): void
    {
        $this->breaks[] = new ObservedBreak($mark->code, ucfirst(ProtocolBreak::of($mark->code)->name).'.');
    }

    private function again(): void
    {
        if (! $this->isStarted()) {
            throw $this->impossible('tube_not_begun');
        }
        if ($this->reads !== [] && $this->breaks === []) {
            throw $this->impossible('tube_read_by_the_rules');
        }
        $this->attempts++;
        [$this->at, $this->begunMs, $this->endedMs, $this->givenUp, $this->breaks, $this->reads, $this->times] = [
            0,
            null,
            $this->sinceMs(),
            false,
            [],
            [],
            [],
        ];
    }

    private function current(Mark $mark): MethodStep
    {
        $step = $this->step() ?? throw $this->impossible($this->givenUp ? 'tube_given_up' : 'tube_done');

        return $step->code === $mark->step
            ? $step
            : throw $this->impossible('tube_at_another_step', ['step' => $step->do, 'named' => $mark->step]);
    }

    private function forward(int $atMs): void
    {
        if ($this->begunMs !== null && $atMs < $this->begunMs) {
            throw $this->impossible('step_ended_before_it_began');
        }
    }

    private function close(MethodStep $step, int $atMs): void
    {
        $this->forward($atMs);
        $this->timed($step, $atMs - (int) $this->begunMs);
        $this->begunMs = null;
        $this->endedMs = $atMs;
        do {
            $this->at++;
        } while (isset($this->steps[$this->at]) && $this->steps[$this->at]->kind === StepKind::Wait);
    }

    private function timed(MethodStep $step, int $ms): void
    {
        $this->times[] = ['step' => $step->code, 'seconds' => $ms / 1000];
        $break = $step->judge($ms / 1000);
        if ($break !== null) {
            $this->breaks[] = $break;
        }
    }

    /** @param array<string, string|null> $facts */
    private function impossible(string $reason, array $facts = []): ImpossibleStep
    {
        return new ImpossibleStep($reason, ['tube' => $this->number] + $facts);
    }
}
