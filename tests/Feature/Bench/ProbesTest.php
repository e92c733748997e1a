<?php

declare(strict_types=1);

namespace Tests\Feature\Bench;

use App\Actions\Bench\HttpProbeService;
use App\Actions\Bench\ProbeService;
use App\Models\PenCalibration;
use App\Models\ProbeCapture;
use App\Models\Reading;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\StandInProcess;

final class ProbesTest extends BenchTestCase
{
    private const PEN_SAID = ['water' => 'distilled', 'soil' => 'dry'];

    public function test_a_calibration_is_kept_with_its_slope_and_what_is_wrong_with_it(): void
    {
        $points = [
            ['buffer' => 4.01, 'shown' => 170.0],
            ['buffer' => 7.0, 'shown' => -4.0],
            ['buffer' => 10.01, 'shown' => -178.0],
        ];
        $kept = $this->api('POST', '/calibrations', [
            'instrument' => 'Pen 1',
            'in_millivolts' => true,
            'celsius' => 25,
            'points' => $points,
        ])->assertCreated();
        self::assertEqualsWithDelta((100 * 58.0) / 59.1593, $kept->json('slope_percent'), 0.05);
        self::assertEqualsWithDelta(59.16, $kept->json('ideal_mv'), 0.005);
        self::assertSame([], $kept->json('reasons'));

        $flat = $this->api('POST', '/calibrations', [
            'instrument' => 'Pen 1',
            'in_millivolts' => false,
            'celsius' => 25,
            'points' => [['buffer' => 4.01, 'shown' => 4.5], ['buffer' => 10.01, 'shown' => 9.6]],
        ])->assertCreated();
        self::assertStringContainsString('The slope is 85.0 %', $flat->json('reasons.0'));
        self::assertSame(
            [$flat->json('id'), $kept->json('id')],
            $this->api('GET', '/calibrations')->collect()->pluck('id')->all(),
        );
    }

    public function test_a_calibration_that_says_nothing_is_refused(): void
    {
        foreach (
            [
                [],
                [['buffer' => 7, 'shown' => 7]],
                [['buffer' => 'x', 'shown' => 7], ['buffer' => 4, 'shown' => 4]],
                [['buffer' => 7, 'shown' => 7], ['buffer' => 7.1, 'shown' => 7]],
            ] as $points
        ) {
            $this->api('POST', '/calibrations', [
                'instrument' => 'Pen 1',
                'in_millivolts' => false,
                'celsius' => 20,
                'points' => $points,
            ])->assertStatus(422);
        }
        self::assertSame(0, PenCalibration::query()->count());
    }

    /** @return iterable<string, array{float|null, int, list<string>}> slope, hours since, flags */
    public static function pens(): iterable
    {
        yield 'fit and fresh' => [97.0, 1, []];
        yield 'too flat' => [88.0, 1, ['pen-slope']];
        yield 'of two days ago' => [97.0, 48, ['no-calibration']];
        yield 'none' => [null, 0, ['no-calibration']];
    }

    /** @param list<string> $flags */
    #[DataProvider('pens')]
    public function test_a_pen_counts_when_its_calibration_does(?float $slope, int $hours, array $flags): void
    {
        $calibration = $slope === null ? null : $this->calibrated($slope);
        Carbon::setTestNow(now()->addHours($hours));
        $this->start = (int) now()->getPreciseTimestamp(3);
        $run = $this->penRun($calibration?->id);

        self::assertSame($flags, Reading::query()->where('run_id', $run)->whereDoesntHave('correction')->sole()->flags);
    }

    public function test_a_drift_found_afterwards_leaves_out_all_that_was_read_since(): void
    {
        $calibration = $this->calibrated();
        $run = $this->penRun($calibration->id);
        $ids = ['calibration' => $calibration->id];
        self::assertStringContainsString(
            'not calibrated in a buffer of 9',
            $this->api('POST', '/calibrations/{calibration}/drift', ['buffer' => 9, 'shown' => 9], $ids)
                ->assertStatus(422)
                ->json('message'),
        );
        $this->api('POST', '/calibrations/{calibration}/drift', ['buffer' => 7.0, 'shown' => 7.14], $ids)
            ->assertOk()
            ->assertJson(['left_out' => 1, 'drifted' => true]);

        self::assertSame(
            ['pen-drift'],
            Reading::query()->where('run_id', $run)->whereDoesntHave('correction')->sole()->flags,
        );
        self::assertSame(
            ['After the run the pen had drifted by 0.14 pH.'],
            $this->api('GET', '/runs/{run}/readings', ids: ['run' => $run])->json('0.breaks'),
        );
        $this->api('POST', '/calibrations/{calibration}/drift', ['buffer' => 7.0, 'shown' => 7.0], $ids)->assertStatus(
            409,
        );
    }

    public function test_a_small_drift_changes_nothing(): void
    {
        $calibration = $this->calibrated();
        $run = $this->penRun($calibration->id);
        $this->api(
            'POST',
            '/calibrations/{calibration}/drift',
            ['buffer' => 4.01, 'shown' => 4.2],
            ['calibration' => $calibration->id],
        )
            ->assertOk()
            ->assertJson(['left_out' => 0, 'drifted' => false]);

        self::assertSame([], Reading::query()->where('run_id', $run)->sole()->flags);
    }

    public function test_one_reading_of_a_nitrate_probe_is_one_too_few(): void
    {
        $probe = $this->taken('probe-no3n');
        $flags = [];
        foreach ([1, 2] as $replicates) {
            $id = $this->begin(
                $probe,
                [$this->portion($this->composite())],
                ['said' => [], 'replicates' => $replicates],
            )
                ->assertCreated()
                ->json('id');
            foreach (range(1, $replicates) as $tube) {
                $this->marks($id, [
                    $this->markOf('end', $tube, 1_000, 'place'),
                    $this->reads($tube, (string) (2 * $tube), at: 40_000),
                ])->assertOk();
            }
            $this->close($id)->assertOk();
            $flags[] = Reading::query()->where('run_id', $id)->orderBy('id')->get()->pluck('flags')->all();
        }

        self::assertSame([[['one-reading']], [[], []]], $flags);
    }

    /** @return iterable<string, array{string, int, list<string>}> trouble, good readings of 40, kinds of gaps */
    public static function streams(): iterable
    {
        yield 'all well' => ['none', 40, []];
        yield 'it stops in mid-run' => ['stop', 20, ['stopped']];
        yield 'it repeats a line' => ['repeat', 40, ['repeat']];
        yield 'it sends rubbish' => ['rubbish', 40, ['rubbish']];
        yield 'it leaves lines out' => ['gap', 34, ['gap']];
    }

    /** @param list<string> $kinds */
    #[DataProvider('streams')]
    public function test_what_a_probe_streams_is_kept_and_its_gaps_are_shown(
        string $trouble,
        int $good,
        array $kinds,
    ): void {
        $standIn = StandInProcess::start();
        try {
            $this->app->bind(ProbeService::class, fn (): ProbeService => $this->device($standIn->address, $trouble));
            $run = $this->penAtReading();
            $lines = $this->streamed($run);

            $capture = ProbeCapture::query()->where('run_id', $run)->sole();
            self::assertSame(
                [$good, $kinds, true],
                [count($capture->readings), array_column($capture->gaps, 'kind'), $capture->simulated],
            );
            $last = $lines[count($lines) - 1]['capture'] ?? [];
            self::assertSame([$good, 8], [$last['readings'] ?? 0, $last['used'] ?? 0]);
            self::assertEqualsWithDelta(6.2, $last['mean'] ?? 0, 0.3, 'near the soil that it was told');
            self::assertSame(
                $good,
                count(array_filter($lines, static fn (array $line): bool => ($line['kind'] ?? '') === 'good')),
            );
            self::assertSame(
                $good,
                $this->api('GET', '/runs/{run}', ids: ['run' => $run])->json('tubes.0.captures.0.readings'),
            );
        } finally {
            $standIn->stop();
        }
    }

    public function test_a_device_that_is_not_there_changes_nothing(): void
    {
        foreach ([null, 'http://127.0.0.1:9'] as $address) {
            $this->app->bind(ProbeService::class, static fn (): ProbeService => new HttpProbeService($address, false));
            $lines = $this->streamed($this->penAtReading());
            self::assertCount(1, $lines);
            self::assertMatchesRegularExpression('/No device is set up|does not answer/', $lines[0]['refused'] ?? '');
        }
        self::assertSame(0, ProbeCapture::query()->count());
    }

    public function test_a_logger_reads_the_tubes_that_wait_whole_or_not_at_all(): void
    {
        $pen = $this->taken('pen-ph');
        [$one, $two] = [$this->composite(), $this->composite()];
        $codes = array_map(fn (int $id): string => (string) \App\Models\Portion::query()->findOrFail($id)->code, [
            $this->portion($one),
            $this->portion($two),
        ]);
        $id = $this->begin(
            $pen,
            [$this->portion($one), $this->portion($two)],
            ['said' => self::PEN_SAID, 'calibration_id' => $this->calibrated()->id],
        )->json('id');
        foreach ([1, 2] as $tube) {
            $this->marks($id, $this->pen($tube));
        }
        $take = fn (string $csv) => $this->post(
            "/api/runs/{$id}/logger",
            [
                'file' => UploadedFile::fake()->createWithContent('log.csv', $csv),
                'reader' => 'Ada Fenwright',
                'now_ms' => $this->start + 700_000,
            ],
            ['Accept' => 'application/json'],
        );

        self::assertStringContainsString(
            'row 3',
            $take("portion,value\n{$codes[0]},6.1\nZZ,6.2\n")
                ->assertStatus(422)
                ->json('rows.0.message'),
        );
        self::assertStringContainsString(
            'row 2',
            $take("portion,value\n{$codes[0]},16.1\n")
                ->assertStatus(422)
                ->json('message'),
        );
        $take("portion,value\n{$codes[0]},6.1\n{$codes[0]},6.2\n")->assertStatus(422);
        self::assertSame(
            [[], []],
            array_column($this->api('GET', '/runs/{run}', ids: ['run' => $id])->json('tubes'), 'reads'),
        );
        $take("portion;value;celsius\r\n{$codes[1]};6.20;20.1\r\n{$codes[0]};5.90;\r\n")
            ->assertOk()
            ->assertJson(['over' => true]);
        $this->close($id)->assertOk();
        self::assertSame(
            [['5.90', ''], ['6.20', ', 20.1 °C.']],
            Reading::query()
                ->where('run_id', $id)
                ->orderBy('id')
                ->get()
                ->map(
                    static fn (Reading $reading): array => [
                        $reading->as_reported,
                        str_replace(['From the logger.', 'From the logger'], '', $reading->note),
                    ],
                )
                ->all(),
        );
    }

    public function test_transects_with_rain_and_what_was_spread(): void
    {
        $area = $this->area($this->bench);
        $ids = ['area' => $area->id];
        $transect = [
            'read_on' => '2026-06-16',
            'reader' => 'Ada Fenwright',
            'instrument' => 'Probe 1',
            'row_spacing_cm' => 76.2,
            'places' => [['cm' => 0, 'readings' => [4, 2]], ['cm' => 38.1, 'readings' => [9]]],
            'note' => '',
        ];
        $first = $this->api('POST', '/areas/{area}/transects', $transect, $ids)->assertCreated();
        self::assertEquals(
            [3, 6],
            [$first->json('transects.0.places.0.mean'), $first->json('transects.0.mean_across')],
        );
        self::assertStringContainsString('a point, not a trend', $first->json('caution'));
        $this->api(
            'POST',
            '/areas/{area}/ground-events',
            ['kind' => 'rain', 'on' => '2026-06-10', 'what' => '', 'amount' => 12.5, 'unit' => 'mm'],
            $ids,
        )->assertCreated();
        $noted = $this->api(
            'POST',
            '/areas/{area}/ground-events',
            [
                'kind' => 'application',
                'on' => '2026-06-01',
                'what' => 'Urea in a band',
                'amount' => 60,
                'unit' => 'kg/ha',
            ],
            $ids,
        )->assertCreated();
        self::assertSame(['application', 'rain'], array_column($noted->json('events'), 'kind'));
        $this->api(
            'DELETE',
            '/ground-events/{event}',
            ids: ['event' => $noted->json('events.0.id')],
        )->assertNoContent();
        self::assertCount(1, $this->api('GET', '/areas/{area}/transects', ids: $ids)->json('events'));

        foreach (
            [
                ['places' => [['cm' => 50, 'readings' => [1]]]],
                ['places' => []],
                ['read_on' => '2126-01-01'],
                ['row_spacing_cm' => 0],
                ['places' => [['cm' => 1, 'readings' => ['x']]]],
            ] as $bad
        ) {
            $this->api('POST', '/areas/{area}/transects', $bad + $transect, $ids)->assertStatus(422);
        }
        foreach (
            [['on' => '2126-01-01'], ['amount' => -1], ['unit' => 'bucket'], ['kind' => 'application', 'what' => '']] as $bad
        ) {
            $this->api(
                'POST',
                '/areas/{area}/ground-events',
                $bad + ['kind' => 'rain', 'on' => '2026-06-10', 'what' => '', 'amount' => 1, 'unit' => 'mm'],
                $ids,
            )->assertStatus(422);
        }
        self::assertCount(1, $this->api('GET', '/areas/{area}/transects', ids: $ids)->json('transects'));
    }

    /** @return list<array<string, mixed>> */
    private function pen(int $tube): array
    {
        return [
            $this->markOf('end', $tube, 1_000 * $tube, 'slurry'),
            $this->markOf('begin', $tube, 20_000, 'stir'),
            $this->markOf('end', $tube, 50_000, 'stir'),
            $this->markOf('begin', $tube, 650_000, 'read'),
        ];
    }

    private function penRun(?int $calibration): int
    {
        $id = $this->begin(
            $this->taken('pen-ph'),
            [$this->portion($this->composite())],
            ['said' => self::PEN_SAID, 'calibration_id' => $calibration],
        )
            ->assertCreated()
            ->json('id');
        $this->marks($id, [...$this->pen(1), $this->reads(1, '6.1', at: 660_000)], $this->start + 660_000)->assertOk();
        $this->close($id)->assertOk();

        return $id;
    }

    private function penAtReading(): int
    {
        $sample = $this->composite();
        $this->read($sample, 'lab-ph', '6.20');
        $id = $this->begin(
            $this->taken('pen-ph', 'Pen '.$sample->id),
            [$this->portion($sample)],
            ['said' => self::PEN_SAID],
        )
            ->assertCreated()
            ->json('id');
        $this->marks($id, $this->pen(1), $this->start + 650_000)->assertOk();

        return $id;
    }

    /** @return list<array<string, mixed>> the lines of the answer */
    private function streamed(int $run): array
    {
        $text = $this->postJson("/api/runs/{$run}/probe", ['tube' => 1, 'seconds' => 10])
            ->assertOk()
            ->streamedContent();

        return array_map(
            static fn (string $line): array => (array) json_decode($line, true, 512, JSON_THROW_ON_ERROR),
            array_values(array_filter(explode("\n", $text))),
        );
    }

    /** The stand-in at full speed, with a trouble it was told to have. */
    private function device(string $address, string $trouble): ProbeService
    {
        return new class(new HttpProbeService($address, true), $trouble) implements ProbeService
        {
            public function __construct(private readonly HttpProbeService $device, private readonly string $trouble) {}

            public function isThere(): bool
            {
                return true;
            }

            public function isSimulated(): bool
            {
                return true;
            }

            public function lines(string $probe, int $seconds, array $soil): \Generator
            {
                return $this->device->lines($probe, $seconds, ['trouble' => $this->trouble, 'pace' => '0'] + $soil);
            }
        };
    }
}
