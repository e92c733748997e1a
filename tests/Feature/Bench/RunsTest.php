<?php

declare(strict_types=1);

namespace Tests\Feature\Bench;

use App\Models\Reading;
use App\Models\Run;
use App\Models\RunMark;
use Illuminate\Database\QueryException;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;

final class RunsTest extends BenchTestCase
{
    public function test_a_run_led_by_the_rules_gives_readings_that_count(): void
    {
        $this->eyes();
        [$one, $two] = [$this->composite(), $this->composite()];
        $run = $this->begin($this->method('kit-ph'), [$this->portion($one), $this->portion($two)])->assertCreated();
        $id = $run->json('id');
        self::assertSame(
            [['new', 'new'], [], [1, 'do', 'fill']],
            [
                array_column($run->json('tubes'), 'status'),
                $run->json('warnings'),
                [$run->json('agenda.0.tube'), $run->json('agenda.0.act'), $run->json('agenda.0.step')],
            ],
        );

        $answer = $this->marks($id, [...$this->capsule(1), ...$this->capsule(2, from: 3_000)])->assertOk();
        self::assertSame(['going', 'going'], array_column($answer->json('tubes'), 'status'));
        $this->marks($id, [
            $this->reads(1, '6.0'),
            $this->reads(2, '5.5', more: ['between' => '6.0', 'note' => 'Faint.']),
        ])
            ->assertOk()
            ->assertJson(['over' => true]);
        $closed = $this->close($id)->assertOk();

        self::assertSame(['finished', 90], [$closed->json('state'), $closed->json('cost_cents')]);
        $readings = Reading::query()->where('run_id', $id)->orderBy('id')->get();
        self::assertSame(
            [['6.0', null, []], ['5.5', '6.0', []]],
            $readings
                ->map(static fn (Reading $reading): array => [$reading->band, $reading->between, $reading->flags])
                ->all(),
        );
        self::assertSame(
            ['between 5.5 and 6.0', 'Faint.', '2026-09-20'],
            [$readings[1]?->as_reported, $readings[1]?->note, $readings[1]?->read_on->format('Y-m-d')],
        );
        self::assertSame(
            ['settle', 60],
            [$readings[0]->detail['times'][3]['step'] ?? '', $readings[0]->detail['times'][3]['seconds'] ?? 0],
        );
        self::assertNotNull($readings[0]->method_version_id);
        self::assertSame(2, count($this->api('GET', '/runs/{run}/readings', ids: ['run' => $id])->assertOk()->json()));
        $spent = $this->api('GET', '/bench', query: ['site_id' => $this->bench->id])
            ->collect('methods')
            ->firstWhere('id', $this->method('kit-ph')->id);
        self::assertSame([1, 2, 45], [$spent['runs'], $spent['kept'], (int) $spent['spent_cents']]);
        self::assertGreaterThan(0.1, $spent['spent_minutes']);
    }

    public function test_what_was_read_stays_covered_until_the_run_is_finished(): void
    {
        $this->eyes();
        $sample = $this->composite();
        $this->read($sample, 'kit-ph', '7.5');
        $this->read($sample, 'lab-ph', '7.41');
        $id = $this->begin($this->method('kit-ph'), [$this->portion($sample)], ['replicates' => 2])->json('id');
        $this->marks($id, [...$this->capsule(1), $this->reads(1, '6.5')]);
        $open = $this->api('GET', '/runs/{run}', ids: ['run' => $id])->assertOk();

        self::assertNull($open->json('tubes.0.reads.0.words'));
        self::assertStringNotContainsString('7.41', (string) json_encode($open->json('tubes')), 'neither the lab');
        self::assertSame(
            [],
            $this->api('GET', '/runs/{run}/readings', ids: ['run' => $id])->json(),
            'nor a reading before its time',
        );
        $this->close($id, leave: true)->assertOk()->assertJsonPath('tubes.0.reads.0.words', '6.5');
    }

    /** @return iterable<string, array{array<string, mixed>, int, list<string>}> setup, seconds settled, flags */
    public static function breaks(): iterable
    {
        yield 'tap water' => [['said' => ['water' => 'tap'] + self::SAID], 60, ['tap-water']];
        yield 'against the light' => [['said' => ['light' => 'against'] + self::SAID], 60, ['against-light']];
        yield 'wet soil' => [['said' => ['soil' => 'wet'] + self::SAID], 60, ['wet-soil']];
        yield 'cold' => [['celsius' => 8], 60, ['temperature']];
        yield 'settled 20 s' => [[], 20, ['settled-short']];
        yield 'settled 5 min' => [[], 300, ['settled-long']];
        yield 'all of it' => [
            ['said' => ['water' => 'tap', 'light' => 'against', 'soil' => 'wet']],
            5,
            ['tap-water', 'against-light', 'wet-soil', 'settled-short'],
        ];
    }

    /**
     * @param array<string, mixed> $setup
     * @param list<string> $flags
     */
    #[DataProvider('breaks')]
    public function test_what_broke_the_protocol_is_told_at_once_and_leaves_the_reading_out(
        array $setup,
        int $settled,
        array $flags,
    ): void {
        $this->eyes();
        $sample = $this->composite();
        $id = $this->begin($this->method('kit-ph'), [$this->portion($sample)], $setup)
            ->assertCreated()
            ->json('id');
        $told = $this->marks($id, $this->capsule(1, settle: 1000 * $settled))->assertOk();
        self::assertCount(count($flags), [...$told->json('warnings'), ...$told->json('tubes.0.breaks')]);
        $this->marks($id, [$this->reads(1, '6.0', at: 31_000 + 1000 * $settled + 500)]);
        $this->close($id)->assertOk();

        $reading = Reading::query()->where('run_id', $id)->sole();
        self::assertSame($flags, $reading->flags);
        self::assertCount(count($flags), $reading->detail['breaks'] ?? []);
        $this->read($sample, 'lab-ph', '6.10');
        self::assertSame(
            [0, 1],
            [$this->api('GET', '/evidence')->json('rows.0.pairs'), $this->api('GET', '/evidence')->json('rows.0.left_out')],
        );
    }

    public function test_a_reader_without_a_colour_vision_check_is_left_out_and_the_other_one_is_not(): void
    {
        $this->eyes();
        $this->eyes('Bram Heather', passed: false);
        $id = $this->begin(
            $this->method('kit-ph'),
            [$this->portion($this->composite())],
            ['readers' => ['Ada Fenwright', 'Bram Heather']],
        )->json('id');
        $answer = $this->marks($id, [
            ...$this->capsule(1),
            $this->reads(1, '6.0', 'Bram Heather', 95_000),
            $this->reads(1, '6.5', 'Ada Fenwright', 99_000),
        ]);
        self::assertStringContainsString('Bram Heather', $answer->json('warnings.0'));
        $this->close($id);

        self::assertSame(
            ['Ada Fenwright' => [], 'Bram Heather' => ['colour-vision']],
            Reading::query()
                ->where('run_id', $id)
                ->get()
                ->mapWithKeys(static fn (Reading $reading): array => [$reading->reader => $reading->flags])
                ->sortKeys()
                ->all(),
        );
    }

    public function test_a_band_that_a_photo_gave_clearly_needs_no_eye_and_one_that_was_changed_does(): void
    {
        $this->eyes(passed: false);
        $match = ['nearest' => '6.0', 'difference' => 1.2, 'next' => '6.5', 'margin' => 8.0, 'safety' => 'clear'];
        $flags = [];
        foreach (
            [['6.0', $match], ['6.5', $match], ['6.0', ['safety' => 'close'] + $match], ['6.0', null]] as [$typed, $by]
        ) {
            $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
            $this->marks($id, [...$this->capsule(1), $this->reads(1, $typed, more: ['match' => $by])])->assertOk();
            $this->close($id)->assertOk();
            $flags[] = Reading::query()->where('run_id', $id)->sole()->flags;
        }

        self::assertSame([[], ['colour-vision'], ['colour-vision'], ['colour-vision']], $flags);
    }

    public function test_a_check_of_two_years_ago_holds_no_more(): void
    {
        $this->eyes();
        Carbon::setTestNow('2028-09-20 14:00:00');
        $this->start = (int) now()->getPreciseTimestamp(3);

        self::assertStringContainsString(
            'no colour-vision check',
            $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('warnings.0'),
        );
    }

    public function test_replicates_stand_in_a_mixed_order(): void
    {
        $portions = array_map(fn (): int => $this->portion($this->composite()), range(1, 6));
        $tubes = $this->begin($this->method('kit-ph'), $portions, ['replicates' => 3])->json('tubes');

        self::assertCount(18, $tubes);
        self::assertEquals(array_fill_keys($portions, 3), array_count_values(array_column($tubes, 'portion_id')));
        $order = array_column($tubes, 'portion_id');
        self::assertNotSame($order, array_merge(...array_map(static fn (int $id): array => [$id, $id, $id], $portions)));
    }

    public function test_marks_are_taken_once_and_whole_or_not_at_all(): void
    {
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        $marks = $this->capsule(1);
        $this->marks($id, $marks)->assertOk();
        $this->marks($id, $marks)->assertOk();
        self::assertSame(5, RunMark::query()->count(), 'the same again changes nothing');

        $this->marks($id, [$this->reads(1, '6.0'), $this->reads(1, '6.5')])->assertStatus(422);
        self::assertSame(5, RunMark::query()->count(), 'one that cannot be takes the whole batch with it');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badMarks(): iterable
    {
        yield 'in the future' => [['kind' => 'end', 'tube' => 1, 'at' => 3_000_000, 'step' => 'fill'], 'in the future'];
        yield 'before the run' => [
            ['kind' => 'end', 'tube' => 1, 'at' => -5_000, 'step' => 'fill'],
            'before the run began',
        ];
        yield 'a band that the method lacks' => [
            [
                'kind' => 'read',
                'tube' => 1,
                'at' => 100_000,
                'step' => 'read',
                'reader' => 'Ada Fenwright',
                'typed' => '5.7',
            ],
            'is no band of the method',
        ];
        yield 'a step ahead' => [['kind' => 'end', 'tube' => 1, 'at' => 1_000, 'step' => 'settle'], 'not at "settle"'];
        yield 'a reading that would come before the look at it' => [
            [
                'kind' => 'read',
                'tube' => 1,
                'at' => 60_000,
                'step' => 'read',
                'reader' => 'Ada Fenwright',
                'typed' => '6.0',
            ],
            'Tube 1 is done',
        ];
        yield 'no such tube' => [['kind' => 'end', 'tube' => 9, 'at' => 1_000, 'step' => 'fill'], 'no tube 9'];
    }

    /** @param array{kind: string, tube: int, at: int, step: string, reader?: string, typed?: string} $bad */
    #[DataProvider('badMarks')]
    public function test_marks_that_cannot_be_are_refused_in_words(array $bad, string $words): void
    {
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        if ($bad['kind'] === 'read') {
            $this->marks($id, $this->capsule(1));
        }
        $message = $this->marks(
            $id,
            [
                $this->markOf(
                    $bad['kind'],
                    $bad['tube'],
                    $bad['at'],
                    $bad['step'],
                    array_diff_key($bad, ['kind' => 0, 'tube' => 0, 'at' => 0, 'step' => 0]),
                ),
            ],
            $this->start + 200_000,
        )
            ->assertStatus(422)
            ->json('message');

        self::assertStringContainsString($words, $message);
    }

    public function test_marks_of_the_wrong_shape_are_refused(): void
    {
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        foreach (
            [
                ['at_ms' => 'noon'],
                ['at_ms' => -1],
                ['kind' => 'dance'],
                ['uuid' => 'x'],
                ['tube' => 0],
                ['code' => 'sneezed'],
                ['typed' => str_repeat('6', 60)],
            ] as $wrong
        ) {
            $this->marks($id, [$wrong + $this->markOf('end', 1, 10, 'fill')])->assertStatus(422);
        }
        $this->api(
            'POST',
            '/runs/{run}/marks',
            ['now_ms' => $this->start, 'marks' => 'all'],
            ['run' => $id],
        )->assertStatus(422);
        self::assertSame(0, RunMark::query()->count());
    }

    public function test_a_clock_that_is_far_off_is_set_right_first(): void
    {
        $off = $this->begin(
            $this->method('kit-ph'),
            [$this->portion($this->composite())],
            ['now_ms' => $this->start + 3_600_000],
        )->assertStatus(422);
        self::assertStringContainsString('off by 60 min', $off->json('message'));
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        self::assertStringContainsString(
            'clock of this device',
            $this->marks($id, $this->capsule(1), $this->start - 3_600_000)
                ->assertStatus(422)
                ->json('message'),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badSetups(): iterable
    {
        yield 'no portion' => [['portion_ids' => []], 'portion'];
        yield 'a portion of nobody' => [['portion_ids' => [99_999]], 'none of this site'];
        yield 'no answer to a condition' => [['said' => []], 'it is not said'];
        yield 'an answer that is none' => [
            ['said' => ['water' => 'holy'] + self::SAID],
            'it is not said; accepted is distilled, tap',
        ];
        yield 'too many tubes' => [['replicates' => 6, 'many' => true], 'up to 48'];
        yield 'a reader twice' => [['readers' => ['Ada', 'Ada']], 'twice'];
        yield 'a lot of another method' => [['lot_ids' => [99_999]], 'none of this method'];
        yield 'a calibration of nobody' => [['calibration_id' => 99_999], 'no such calibration'];
        yield 'boiling' => [['celsius' => 99], 'between -5 and 60'];
    }

    /** @param array<string, mixed> $setup */
    #[DataProvider('badSetups')]
    public function test_a_run_that_cannot_be_is_refused_in_words(array $setup, string $words): void
    {
        $portions = isset($setup['many'])
            ? array_map(fn (): int => $this->portion($this->composite()), range(1, 9))
            : [$this->portion($this->composite())];
        $answer = $this->begin($this->method('kit-ph'), $portions, array_diff_key($setup, ['many' => 0]))->assertStatus(
            422,
        );

        self::assertStringContainsString($words, (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES));
        self::assertSame(0, Run::query()->count());
    }

    public function test_an_expired_lot_is_refused_unless_it_is_used_knowingly_and_then_flags_what_it_reads(): void
    {
        $this->eyes();
        $kit = $this->method('kit-ph');
        $lots = $this->api(
            'POST',
            '/methods/{method}/lots',
            [
                'reagent' => 'Indicator capsules',
                'lot' => 'OLD-1',
                'expires_on' => '2026-09-19',
                'price_cents' => 1000,
                'tests' => 20,
            ],
            ['method' => $kit->id],
        )
            ->assertCreated()
            ->collect('lots');
        $old = $lots->firstWhere('lot', 'OLD-1')['id'];
        $portion = $this->portion($this->composite());
        self::assertStringContainsString(
            'expired on 2026-09-19',
            $this->begin($kit, [$portion], ['lot_ids' => [$old]])
                ->assertStatus(422)
                ->json('message'),
        );

        $id = $this->begin($kit, [$portion], ['lot_ids' => [$old], 'expired_anyway' => true])
            ->assertCreated()
            ->json('id');
        $this->marks($id, [...$this->capsule(1), $this->reads(1, '6.0')]);
        $this->close($id);
        $reading = Reading::query()->where('run_id', $id)->sole();
        self::assertSame([['lot-out-of-date'], 'OLD-1'], [$reading->flags, $reading->lot]);
        self::assertSame(
            50,
            Run::query()->whereKey($id)->sole()->cost_cents,
            'what the pack cost, divided by its tests',
        );
    }

    public function test_a_repeated_and_a_lost_tube_are_paid_for(): void
    {
        $this->eyes();
        $id = $this->begin($this->method('kit-ph'), [
            $this->portion($this->composite()),
            $this->portion($this->composite()),
        ])->json('id');
        $this->marks($id, [
            ...$this->capsule(1, shake: 2_000),
            $this->markOf('again', 1, 120_000),
            ...$this->capsule(1, from: 130_000),
            $this->reads(1, '6.0', at: 230_000),
            $this->markOf('end', 2, 1_000, 'fill'),
            $this->markOf('give-up', 2, 231_000),
        ])->assertOk();
        $this->close($id)
            ->assertOk()
            ->assertJsonPath('cost_cents', 3 * 45);

        self::assertSame([], Reading::query()->where('run_id', $id)->sole()->flags);
    }

    public function test_an_unread_tube_is_not_passed_over_in_silence(): void
    {
        $id = $this->begin($this->method('kit-ph'), [
            $this->portion($this->composite()),
            $this->portion($this->composite()),
        ])->json('id');
        $this->marks($id, [...$this->capsule(1), $this->reads(1, '6.0')]);
        self::assertStringContainsString(
            'One tube is not read yet',
            $this->close($id)->assertStatus(409)->json('message'),
        );
        $this->close($id, leave: true)->assertOk();
        $this->close($id, leave: true)->assertOk();

        self::assertSame(1, Reading::query()->where('run_id', $id)->count(), 'finishing twice gives nothing twice');
        self::assertStringContainsString(
            'closed',
            $this->marks($id, [$this->markOf('incident', 1, 1, more: ['code' => 'spilled'])])
                ->assertStatus(409)
                ->json('message'),
        );
        $this->close($id, drop: true)->assertStatus(409);
    }

    public function test_a_run_without_a_reading_is_dropped_and_keeps_its_log(): void
    {
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        $this->marks($id, array_slice($this->capsule(1), 0, 2));
        self::assertStringContainsString('Drop it', $this->close($id, leave: true)->assertStatus(409)->json('message'));
        $this->close($id, drop: true)->assertOk()->assertJsonPath('state', 'dropped');

        self::assertSame([2, 0], [RunMark::query()->where('run_id', $id)->count(), Reading::query()->count()]);
    }

    public function test_the_log_is_written_once(): void
    {
        $id = $this->begin($this->method('kit-ph'), [$this->portion($this->composite())])->json('id');
        $this->marks($id, $this->capsule(1));
        foreach (
            [
                static fn () => RunMark::query()
                    ->where('run_id', $id)
                    ->update(['at_ms' => 1]),
                static fn () => RunMark::query()->where('run_id', $id)->delete(),
            ] as $tamper
        ) {
            try {
                $tamper();
                self::fail('The log was changed.');
            } catch (QueryException $error) {
                self::assertStringContainsString('written once', $error->getMessage());
            }
        }
    }

    public function test_the_same_hand_in_makes_one_run(): void
    {
        $portion = $this->portion($this->composite());
        $same = ['submission' => '0a9f6d5c-4a0e-4f6a-9d0c-1c2d3e4f5a6b'];
        $first = $this->begin($this->method('kit-ph'), [$portion], $same)
            ->assertCreated()
            ->json('id');

        self::assertSame(
            $first,
            $this->begin($this->method('kit-ph'), [$portion], $same)
                ->assertOk()
                ->json('id'),
        );
        self::assertSame(1, Run::query()->count());
    }

    public function test_a_lab_method_is_not_worked_at_the_bench(): void
    {
        $this->begin($this->method('lab-ph'), [$this->portion($this->composite())])->assertNotFound();
    }

    /** A colour between two bands reads as the point midway between them, as two middle replicates do. */
    public function test_between_two_bands_reads_as_the_point_midway(): void
    {
        $this->eyes();
        $sample = $this->sample($this->area($this->bench, 'vegetables', 'Kitchen beds'));
        $id = $this->begin($this->method('kit-ph'), [$this->portion($sample)])->json('id');
        $this->marks($id, [...$this->capsule(1), $this->reads(1, '6.0', more: ['between' => '6.5'])]);
        $this->close($id);
        $this->read($sample, 'lab-ph', '6.55');

        $pair = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])
            ->assertOk()
            ->json('pairs.rows.0');
        self::assertSame(
            ['6.0 and 6.5', 6.25, 'leave'],
            [$pair['band']['name'], $pair['test'], $pair['test_action']],
            'between 6.0 and 6.5 lies 6.25, above the limit of 6.2',
        );
    }
}
