<?php

declare(strict_types=1);

namespace Tests\Feature\Bench;

use App\Actions\Bench\KeepMethod;
use App\Models\PenCalibration;
use App\Models\Sample;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\VisionRecord;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Runs at the bench, at a time that stands still unless a test moves it. */
abstract class BenchTestCase extends ApiTestCase
{
    protected const SAID = ['water' => 'distilled', 'light' => 'behind', 'soil' => 'dry'];

    protected Site $bench;

    protected int $start;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-20 14:00:00');
        $this->start = (int) now()->getPreciseTimestamp(3);
        $this->bench = $this->site('BN');
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    protected function composite(): Sample
    {
        return $this->sample($this->area($this->bench, name: 'Sedge meadow '.Str::random(5)));
    }

    protected function portion(Sample $sample): int
    {
        return $sample->portions()->where('kind', 'bench')->firstOrFail()->id;
    }

    protected function eyes(string $reader = 'Ada Fenwright', bool $passed = true): void
    {
        VisionRecord::query()->create([
            'created_by' => $this->technician->id,
            'reader' => $reader,
            'seed' => 1,
            'answers' => [],
            'passed' => $passed,
            'right' => $passed ? 10 : 6,
            'plates' => 10,
            'words' => 'x',
            'taken_on' => '2026-05-01',
        ]);
    }

    protected function taken(string $code, ?string $name = null): TestMethod
    {
        return app(KeepMethod::class)->add(
            MethodDefinition::of(['name' => $name ?? "Team {$code}"] + MethodLibrary::get($code)->toArray()),
            'Taken up.',
            $this->technician,
        );
    }

    protected function calibrated(float $slope = 97.0): PenCalibration
    {
        return PenCalibration::query()->create([
            'created_by' => $this->technician->id,
            'instrument' => 'Pen 1',
            'in_millivolts' => false,
            'celsius' => 20,
            'points' => [['buffer' => 4.01, 'shown' => 4.1], ['buffer' => 7.0, 'shown' => 7.0]],
            'slope_percent' => $slope,
            'offset' => 0,
            'residual' => 0,
            'reasons' => $slope < 92 ? ['The slope is too flat.'] : [],
            'at' => now(),
        ]);
    }

    /**
     * @param list<int> $portions
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    protected function begin(TestMethod $method, array $portions, array $change = []): TestResponse
    {
        $this->start = (int) now()->getPreciseTimestamp(3);

        return $this->api(
            'POST',
            '/sites/{site}/runs',
            $change + [
                'submission' => (string) Str::uuid(),
                'method_id' => $method->id,
                'portion_ids' => $portions,
                'replicates' => 1,
                'readers' => ['Ada Fenwright'],
                'said' => self::SAID,
                'celsius' => 20,
                'depth_cm' => null,
                'lot_ids' => [],
                'expired_anyway' => false,
                'calibration_id' => null,
                'now_ms' => $this->start,
                'note' => '',
            ],
            ['site' => $this->bench->id],
        );
    }

    /**
     * @param list<array<string, mixed>> $marks
     * @return TestResponse<Response>
     */
    protected function marks(int $run, array $marks, ?int $now = null): TestResponse
    {
        $now ??= max([
            $this->start,
            ...array_map(static fn (mixed $at): int => is_int($at) ? $at : 0, array_column($marks, 'at_ms')),
        ]);
        if ($now > now()->getPreciseTimestamp(3)) {
            Carbon::setTestNow(Carbon::createFromTimestampMsUTC($now));
        }

        return $this->api('POST', '/runs/{run}/marks', ['now_ms' => $now, 'marks' => $marks], ['run' => $run]);
    }

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    protected function markOf(string $kind, int $tube, int $at, string $step = '', array $more = []): array
    {
        return ['uuid' => (string) Str::uuid(), 'kind' => $kind, 'tube' => $tube, 'at_ms' => $this->start + $at] +
            ($step === '' ? [] : ['step' => $step]) +
            $more;
    }

    /**
     * The marks of a capsule tube up to its reading.
     *
     * @return list<array<string, mixed>>
     */
    protected function capsule(int $tube, int $shake = 25_000, int $settle = 60_000, int $from = 0): array
    {
        return [
            $this->markOf('end', $tube, $from, 'fill'),
            $this->markOf('end', $tube, $from + 5_000, 'water'),
            $this->markOf('begin', $tube, $from + 6_000, 'shake'),
            $this->markOf('end', $tube, $from + 6_000 + $shake, 'shake'),
            $this->markOf('begin', $tube, $from + 6_000 + $shake + $settle, 'read'),
        ];
    }

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    protected function reads(
        int $tube,
        string $typed,
        string $reader = 'Ada Fenwright',
        int $at = 100_000,
        string $step = 'read',
        array $more = [],
    ): array {
        return $this->markOf('read', $tube, $at, $step, ['reader' => $reader, 'typed' => $typed] + $more);
    }

    /** @return TestResponse<Response> */
    protected function close(int $run, bool $leave = false, bool $drop = false): TestResponse
    {
        return $this->api(
            'POST',
            '/runs/{run}/close',
            ['leave_unread' => $leave, 'note' => '', 'drop' => $drop],
            ['run' => $run],
        );
    }
}
