<?php

declare(strict_types=1);

namespace HonestCore\Tests\Bench;

use HonestCore\Bench\Agenda;
use HonestCore\Bench\BenchReading;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\BenchTube;
use HonestCore\Bench\Duration;
use HonestCore\Bench\Mark;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\MethodScale;
use HonestCore\Bench\MethodStep;
use HonestCore\Bench\ObservedBreak;
use HonestCore\Bench\ScaleKind;
use HonestCore\Bench\Stagger;
use HonestCore\Bench\StepKind;
use HonestCore\Error\CoreError;
use HonestCore\Jar\JarSteps;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Agenda::class)]
#[CoversClass(Mark::class)]
#[CoversClass(ScaleKind::class)]
#[CoversClass(StepKind::class)]
#[CoversClass(MethodStep::class)]
#[CoversClass(ObservedBreak::class)]
#[CoversClass(BenchTube::class)]
#[CoversClass(BenchReading::class)]
#[CoversClass(MethodScale::class)]
final class BenchRunTest extends TestCase
{
    private const START = 1_790_000_000_000;

    private int $written = 0;

    public function test_a_tube_led_in_time_breaks_nothing_and_its_times_are_exact_to_the_millisecond(): void
    {
        $run = $this->replay($this->capsule(settle: 61_234), tubes: 1);
        $tube = $run->tubes[1];

        self::assertSame(['done', []], [$tube->status(), $tube->breaks()]);
        self::assertSame(
            ['fill' => 0.0, 'water' => 0.0, 'shake' => 25.0, 'settle' => 61.234, 'read' => 4.0],
            array_map(static fn (int|float $s): float => (float) $s, array_column($tube->times(), 'seconds', 'step')),
        );
        self::assertSame('6.0', $tube->reads()[0]['reading']->band);
        self::assertTrue($run->isOver());
    }

    /** @return iterable<string, array{int, int, list<string>}> milliseconds shaken, settled, what that breaks */
    public static function times(): iterable
    {
        yield 'in time' => [25_000, 60_000, []];
        yield 'to the least' => [20_000, 55_000, []];
        yield 'to the most' => [30_000, 90_000, []];
        yield 'shaken a moment too short' => [19_999, 60_000, ['mixed-short']];
        yield 'shaken long, which this method lets pass' => [45_000, 60_000, []];
        yield 'settled a moment too short' => [25_000, 54_999, ['settled-short']];
        yield 'settled a moment too long' => [25_000, 90_001, ['settled-long']];
        yield 'both' => [1_000, 600_000, ['mixed-short', 'settled-long']];
        yield 'the laptop was closed overnight' => [25_000, 36_000_000, ['settled-long']];
    }

    /** @param list<string> $breaks */
    #[DataProvider('times')]
    public function test_times_out_of_tolerance_are_breaks_at_once(int $shake, int $settle, array $breaks): void
    {
        $marks = $this->capsule($shake, $settle);
        self::assertSame($breaks, array_column($this->replay($marks)->tubes[1]->breaks(), 'code'));
        foreach ($this->replay($marks)->tubes[1]->breaks() as $break) {
            self::assertStringContainsString('the method asks', $break->words);
        }
        $beforeReading = array_slice($marks, 0, 5);
        self::assertSame(
            $breaks,
            array_column($this->replay($beforeReading)->tubes[1]->breaks(), 'code'),
            'known before it is read, while it can be repeated',
        );
    }

    /** @return iterable<string, array{callable(self): list<Mark>, string}> */
    public static function impossible(): iterable
    {
        $e = static fn (self $t, string $kind, int $at, string $step = '', array $more = []): Mark => $t->event(
            $kind,
            1,
            $at,
            $step,
            $more,
        );
        yield 'a step out of order' => [
            static fn (self $t): array => [$e($t, 'end', 1000, 'water')],
            'is at "Soil to the line',
        ];
        yield 'an end before its beginning' => [
            static fn (self $t): array => [...array_slice($t->capsule(), 0, 2), $e($t, 'end', 20_000, 'shake')],
            'has not begun',
        ];
        yield 'begun twice' => [
            static fn (self $t): array => [...array_slice($t->capsule(), 0, 3), $e($t, 'begin', 20_000, 'shake')],
            'already',
        ];
        yield 'read before it is ready' => [
            static fn (self $t): array => [$e($t, 'read', 5000, 'read', ['reader' => 'Ada', 'typed' => '6.0'])],
            'not at "read"',
        ];
        yield 'read by a stranger' => [
            static fn (self $t): array => [
                ...array_slice($t->capsule(), 0, 5),
                $e($t, 'read', 110_000, 'read', ['reader' => 'Eve', 'typed' => '6.0']),
            ],
            'waits for no reading by "Eve"',
        ];
        yield 'a band that the method lacks' => [
            static fn (self $t): array => [
                ...array_slice($t->capsule(), 0, 5),
                $e($t, 'read', 110_000, 'read', ['reader' => 'Ada', 'typed' => '5.7']),
            ],
            'is no band',
        ];
        yield 'read twice' => [
            static fn (self $t): array => [
                ...$t->capsule(),
                $e($t, 'read', 130_000, 'read', ['reader' => 'Ada', 'typed' => '6.0']),
            ],
            'is done',
        ];
        yield 'before the run began' => [
            static fn (self $t): array => [$e($t, 'end', -1, 'fill')],
            'before the run began',
        ];
        yield 'in the future' => [static fn (self $t): array => [$e($t, 'end', 90_000_000, 'fill')], 'in the future'];
        yield 'a tube that there is not' => [
            static fn (self $t): array => [$t->event('end', 7, 10, 'fill')],
            'no tube 7; it has 2',
        ];
        yield 'an unknown break' => [
            static fn (self $t): array => [$e($t, 'incident', 10, '', ['code' => 'sneezed'])],
            'no protocol break',
        ];
        yield 'given up twice' => [
            static fn (self $t): array => [$e($t, 'give-up', 10), $e($t, 'give-up', 20)],
            'cannot be given up',
        ];
        yield 'worked after it was given up' => [
            static fn (self $t): array => [$e($t, 'give-up', 10), $e($t, 'end', 20, 'fill')],
            'was given up',
        ];
        yield 'anew before it began' => [static fn (self $t): array => [$e($t, 'again', 10)], 'was not begun yet'];
        yield 'anew after a reading by the rules' => [
            static fn (self $t): array => [...$t->capsule(), $e($t, 'again', 130_000)],
            'read it once more as a replicate',
        ];
        yield 'an undo of what is not the last mark' => [
            static fn (self $t): array => [
                ...array_slice($t->capsule(), 0, 2),
                $e($t, 'undo', 30_000, '', ['undoes' => 'e1']),
            ],
            'only the last mark',
        ];
        yield 'a reading ended without one' => [
            static fn (self $t): array => [...array_slice($t->capsule(), 0, 5), $e($t, 'end', 112_000, 'read')],
            'by what is read',
        ];
    }

    /** @param callable(self): list<Mark> $marks */
    #[DataProvider('impossible')]
    public function test_what_cannot_have_been_is_refused_in_words(callable $marks, string $words): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        $this->replay($marks($this));
    }

    public function test_marks_that_arrive_late_are_put_where_their_moment_says(): void
    {
        $marks = $this->capsule();
        $late = [...array_slice($marks, 3), ...array_slice($marks, 0, 3)];

        self::assertEquals($this->replay($marks)->tubes[1]->times(), $this->replay($late)->tubes[1]->times());
    }

    public function test_a_mark_taken_back_was_never_made(): void
    {
        $marks = array_slice($this->capsule(), 0, 5);
        $wrong = $this->event('read', 1, 105_000, 'read', ['reader' => 'Ada', 'typed' => '7.0']);
        $undo = $this->event('undo', 1, 106_000, '', ['undoes' => $wrong->uuid]);
        $right = $this->event('read', 1, 107_000, 'read', ['reader' => 'Ada', 'typed' => '6.5']);
        $tube = $this->replay([...$marks, $wrong, $undo, $right])->tubes[1];

        self::assertSame(['6.5'], array_map(static fn (array $read): ?string => $read['reading']->band, $tube->reads()));
    }

    public function test_a_broken_tube_is_begun_anew_and_the_lost_attempt_counts(): void
    {
        $marks = [...array_slice($this->capsule(shake: 2_000), 0, 5), $this->event('again', 1, 200_000)];
        $tube = $this->replay($marks)->tubes[1];
        self::assertSame(['new', 2, []], [$tube->status(), $tube->attempts(), $tube->breaks()]);

        $second = array_map(
            fn (Mark $event): Mark => $this->event(
                $event->kind,
                1,
                300_000 + $event->atMs - self::START,
                $event->step,
                ['reader' => $event->reader, 'typed' => $event->typed],
            ),
            $this->capsule(),
        );
        $tube = $this->replay([...$marks, ...$second])->tubes[1];
        self::assertSame(['done', 2, []], [$tube->status(), $tube->attempts(), $tube->breaks()]);
    }

    public function test_a_spill_is_a_break_whenever_it_is_said(): void
    {
        $tube = $this->replay([...$this->capsule(), $this->event('incident', 1, 125_000, '', ['code' => 'spilled'])])
            ->tubes[1];

        self::assertSame(
            ['done', ['spilled'], ['Reagent spilled.']],
            [$tube->status(), array_column($tube->breaks(), 'code'), array_column($tube->breaks(), 'words')],
        );
    }

    public function test_each_reader_reads_every_tube_once(): void
    {
        $marks = array_slice($this->capsule(), 0, 5);
        $first = $this->event('read', 1, 101_000, 'read', ['reader' => 'Bram', 'typed' => '6.0', 'between' => '6.5']);
        $tube = $this->replay([...$marks, $first], ['Ada', 'Bram'])->tubes[1];
        self::assertSame(['going', ['Ada']], [$tube->status(), $tube->unread()]);

        $second = $this->event('read', 1, 108_000, 'read', ['reader' => 'Ada', 'typed' => '6.5']);
        $tube = $this->replay([...$marks, $first, $second], ['Ada', 'Bram'])->tubes[1];
        self::assertSame(
            ['done', ['between 6.0 and 6.5', '6.5']],
            [$tube->status(), array_map(static fn (array $read): string => $read['reading']->words(), $tube->reads())],
        );
        $this->expectExceptionMessage('is done');
        $this->replay(
            [
                ...$marks,
                $first,
                $second,
                $this->event('read', 1, 109_000, 'read', ['reader' => 'Bram', 'typed' => '6.0']),
            ],
            ['Ada', 'Bram'],
        );
    }

    public function test_layers_of_a_jar_only_grow(): void
    {
        $steps = JarSteps::timed(MethodLibrary::get('jar-texture')->steps, 15, 20);
        $read = fn (int $at, string $step, string $mm): Mark => $this->event('read', 1, $at, $step, [
            'reader' => 'Ada',
            'typed' => $mm,
        ]);
        $marks = [
            $this->event('end', 1, 0, 'fill'),
            $this->event('begin', 1, 1_000, 'shake'),
            $this->event('end', 1, 301_000, 'shake'),
            $read(368_000, 'read-sand', '30'),
        ];
        self::assertSame(
            [],
            BenchRun::replay(
                $steps,
                1,
                ['Ada'],
                MethodLibrary::get('jar-texture')->scale,
                $marks,
                self::START,
                self::START + 900_000,
            )->tubes[1]->breaks(),
        );
        $this->expectExceptionMessage('only grows');
        BenchRun::replay(
            $steps,
            1,
            ['Ada'],
            MethodLibrary::get('jar-texture')->scale,
            [...$marks, $read(42_000_000, 'read-silt', '29')],
            self::START,
            self::START + 90_000_000,
        );
    }

    /**
     * Attention is time with something to do: waits that nothing interrupts do not count, pauses count five minutes.
     */
    public function test_attention_leaves_out_the_waits(): void
    {
        $one = BenchRun::replay(
            self::steps(),
            1,
            ['Ada'],
            MethodLibrary::get('capsule-ph')->scale,
            $this->capsule(),
            self::START,
            self::START + 3_600_000,
        );
        // 10 s to the water, 5 to shaking, 25 of shaking, 5 of settling over the least, 4 of reading.
        self::assertEqualsWithDelta(10 + 5 + 25 + 5 + 4, $one->attentionS, 1e-9);
        $paused = BenchRun::replay(
            self::steps(),
            1,
            ['Ada'],
            MethodLibrary::get('capsule-ph')->scale,
            [$this->event('end', 1, 0, 'fill'), $this->event('end', 1, 3_000_000, 'water')],
            self::START,
            self::START + 3_600_000,
        );
        self::assertSame(300.0, $paused->attentionS);
    }

    /** @return iterable<string, array{string, int}> */
    public static function crowds(): iterable
    {
        foreach (MethodLibrary::all() as $code => $method) {
            foreach ([1, 5, 24] as $tubes) {
                yield "{$tubes} of {$code}" => [$code, $tubes];
            }
        }
    }

    /** Whoever does what the agenda says when it says so serves every tube in time, one thing at a time. */
    #[DataProvider('crowds')]
    public function test_the_agenda_serves_every_tube_in_time(string $code, int $tubes): void
    {
        $method = MethodLibrary::get($code);
        $steps = $code === 'jar-texture' ? JarSteps::timed($method->steps, 15, 20) : $method->steps;
        $typed = match ($method->scale->kind) {
            ScaleKind::Continuous => '6',
            ScaleKind::Drops => '20',
            ScaleKind::Heights => '30',
            default => $method->scale->bands->bands[0]->name ?? '',
        };
        [$marks, $now, $free] = [[], self::START, self::START];
        for ($guard = 0; $guard < 2000; $guard++) {
            $run = BenchRun::replay($steps, $tubes, ['Ada'], $method->scale, $marks, self::START, $now);
            $task = Agenda::of($steps, $run, $now)[0] ?? null;
            if ($task === null) {
                break;
            }
            $step = array_values(
                array_filter($steps, static fn (MethodStep $step): bool => $step->code === $task['step']),
            )[0];
            $now = max($free, $task['aim_ms'], $now);
            self::assertTrue(
                $task['until_ms'] === null || $now <= $task['until_ms'],
                "tube {$task['tube']}, {$task['step']}: ".($now - (int) $task['until_ms']) / 1000 .' s too late',
            );
            // An act and a reading begin when the agenda says, and keep the hands for as long as the method plans.
            $kind = match ($task['act']) {
                'begin' => 'begin',
                'end' => 'end',
                'read' => 'read',
                default => 'end',
            };
            $marks[] = $this->event($kind, $task['tube'], $now - self::START, $task['step'], [
                'reader' => 'Ada',
                'typed' => $typed,
            ]);
            $free = $now + ($step->kind === StepKind::Timed ? 0 : 1000 * $step->handsS);
        }
        $run = BenchRun::replay($steps, $tubes, ['Ada'], $method->scale, $marks, self::START, $now);
        self::assertTrue($run->isOver());
        foreach ($run->tubes as $tube) {
            self::assertSame([], $tube->breaks(), "tube {$tube->number}");
        }
    }

    /** The plan of starts: hands are needed in one place at a time, and every wait is within its tolerance. */
    #[DataProvider('crowds')]
    public function test_planned_starts_leave_the_hands_free_for_every_tube(string $code, int $tubes): void
    {
        $steps =
            $code === 'jar-texture'
                ? JarSteps::timed(MethodLibrary::get($code)->steps, 15, 20)
                : MethodLibrary::get($code)->steps;
        $hands = new Stagger($steps);
        $starts = [];
        $from = self::START;
        for ($i = 0; $i < $tubes; $i++) {
            $starts[] = $from = $hands->start($from);
        }
        $own = array_sum(array_map(static fn (MethodStep $step): int => 1000 * $step->busyS(), $steps));
        $taken = (fn (): array => $this->taken)->call($hands);
        self::assertCount(
            $tubes * count(array_filter($steps, static fn (MethodStep $step): bool => $step->kind !== StepKind::Wait)),
            $taken,
        );
        self::assertSame(
            $tubes * $own,
            array_sum(array_map(static fn (array $block): int => $block[1] - $block[0], $taken)),
        );
        foreach (array_slice($taken, 1) as $i => [$start, $end]) {
            self::assertGreaterThanOrEqual($taken[$i][1], $start, 'two things at once');
        }
        self::assertSame($starts, array_values(array_unique($starts)));
        self::assertSame(self::START, $starts[0]);
    }

    public function test_staggering_is_quicker_than_one_tube_after_another(): void
    {
        $steps = MethodLibrary::get('tube-ph')->steps;
        $hands = new Stagger($steps);
        $last = self::START;
        for ($i = 0; $i < 24; $i++) {
            $last = $hands->start($last);
        }
        $alone = array_sum(
            array_map(
                static fn (MethodStep $step): int => $step->kind === StepKind::Wait ? (int) $step->aimS : $step->busyS(),
                $steps,
            ),
        );

        self::assertLessThan((24 * $alone) / 4, ($last - self::START) / 1000 + $alone);
    }

    public function test_spans_as_people_say_them(): void
    {
        self::assertSame(
            ['0.4 s', '5 s', '41 s', '119 s', '2 min', '12 min 5 s', '2 h', '7 h 43 min', '2 days', '2 days 3 h'],
            array_map(Duration::words(...), [
                0.4,
                5.0,
                41.2,
                119.0,
                120.0,
                725.0,
                7200.0,
                27_780.0,
                172_800.0,
                183_600.0,
            ]),
        );
    }

    /**
     * The marks of one capsule tube: filled at 0 s, water at 10, shaken from 15 on, read after settling.
     *
     * @return list<Mark>
     */
    public function capsule(int $shake = 25_000, int $settle = 60_000): array
    {
        return [
            $this->event('end', 1, 0, 'fill'),
            $this->event('end', 1, 10_000, 'water'),
            $this->event('begin', 1, 15_000, 'shake'),
            $this->event('end', 1, 15_000 + $shake, 'shake'),
            $this->event('begin', 1, 15_000 + $shake + $settle, 'read'),
            $this->event('read', 1, 19_000 + $shake + $settle, 'read', ['reader' => 'Ada', 'typed' => '6.0']),
        ];
    }

    /** @param array<string, string> $more */
    public function event(string $kind, int $tube, int $at, string $step = '', array $more = []): Mark
    {
        $this->written++;

        return new Mark(
            "e{$this->written}",
            $kind,
            $tube,
            self::START + $at,
            $step,
            $more['reader'] ?? '',
            $more['typed'] ?? '',
            $more['between'] ?? null,
            $more['code'] ?? '',
            $more['undoes'] ?? '',
        );
    }

    /**
     * @param list<Mark> $marks
     * @param non-empty-list<string> $readers
     */
    private function replay(array $marks, array $readers = ['Ada'], int $tubes = 2): BenchRun
    {
        return BenchRun::replay(
            self::steps(),
            $tubes,
            $readers,
            MethodLibrary::get('capsule-ph')->scale,
            $marks,
            self::START,
            self::START + 40_000_000,
        );
    }

    /** @return non-empty-list<MethodStep> */
    private static function steps(): array
    {
        return MethodLibrary::get('capsule-ph')->steps;
    }
}
