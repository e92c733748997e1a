<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\ImpossibleStep;
use HonestCore\Error\ValueOutOfRange;

/**
 * A run of several tubes by one method, replayed from its log.
 *
 * Quantity and unit: moments in milliseconds since 1970, attention in seconds.
 * Domain: at least one tube; no event before the run began or after now.
 */
final readonly class BenchRun
{
    /** A gap longer than this with something to do was a pause. */
    private const PAUSE_MS = 300_000;

    /** Clocks of browser and server are read at slightly different moments. */
    private const AHEAD_MS = 2_000;

    /**
     * @param array<int, BenchTube> $tubes by number
     * @param float $attentionS time in which there was something to do, pauses over five minutes cut to five
     */
    private function __construct(
        public array $tubes,
        public float $attentionS,
        public ?int $firstMs,
        public ?int $lastMs,
    ) {}

    /**
     * @param non-empty-list<MethodStep> $steps with the seconds of every wait
     * @param non-empty-list<string> $readers
     * @param list<Mark> $marks in the order in which they were written
     * @param int $nowMs by the clock of the device that wrote them
     *
     * @throws ImpossibleStep
     * @throws ValueOutOfRange
     */
    public static function replay(
        array $steps,
        int $tubes,
        array $readers,
        MethodScale $scale,
        array $marks,
        int $startedMs,
        int $nowMs,
    ): self {
        $all = [];
        for ($number = 1; $number <= $tubes; $number++) {
            $all[$number] = new BenchTube($number, $steps, $readers, $scale);
        }
        [$attention, $last, $first] = [0.0, null, null];
        foreach (self::standing($marks) as $mark) {
            $tube =
                $all[$mark->tube] ?? throw new ImpossibleStep('no_such_tube', [
                    'tube' => $mark->tube,
                    'tubes' => $tubes,
                ]);
            if ($mark->atMs < $startedMs) {
                throw new ImpossibleStep('mark_before_the_run', ['tube' => $mark->tube]);
            }
            if ($mark->atMs > $nowMs + self::AHEAD_MS) {
                throw new ImpossibleStep('mark_in_the_future', ['tube' => $mark->tube]);
            }
            if ($last !== null) {
                $attention += self::attention($all, $last, $mark->atMs);
            }
            $tube->take($mark);
            $first ??= $mark->atMs;
            $last = max($last ?? $mark->atMs, $mark->atMs);
        }

        return new self($all, $attention / 1000, $first, $last);
    }

    public function isOver(): bool
    {
        return array_filter($this->tubes, static fn (BenchTube $tube): bool => $tube->isOpen()) === [];
    }

    /**
     * Marks that no other undid, in the order of their moments. Only the last mark of a tube can be undone.
     *
     * @param list<Mark> $marks
     * @return list<Mark>
     */
    private static function standing(array $marks): array
    {
        $kept = [];
        foreach ($marks as $mark) {
            if ($mark->kind !== Mark::UNDO) {
                $kept[$mark->uuid] = $mark;

                continue;
            }
            $ofTube = array_filter($kept, static fn (Mark $one): bool => $one->tube === $mark->tube);
            if (array_key_last($ofTube) !== $mark->undoes) {
                throw new ImpossibleStep('not_the_last_mark', ['tube' => $mark->tube]);
            }
            unset($kept[$mark->undoes]);
        }
        $kept = array_values($kept);
        usort($kept, static fn (Mark $a, Mark $b): int => $a->atMs <=> $b->atMs);

        return $kept;
    }

    /**
     * Milliseconds between two marks in which at least one tube waited for the hand.
     *
     * @param array<int, BenchTube> $tubes
     */
    private static function attention(array $tubes, int $fromMs, int $toMs): int
    {
        $ready = null;
        foreach ($tubes as $tube) {
            $at = $tube->readyMs();
            $ready = $at === null ? $ready : min($ready ?? $at, $at);
        }

        return $ready === null ? 0 : min(self::PAUSE_MS, max(0, $toMs - max($fromMs, $ready)));
    }
}
