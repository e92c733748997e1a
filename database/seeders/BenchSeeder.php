<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Bench\Calibrate;
use App\Actions\Bench\FinishRun;
use App\Actions\Bench\KeepMethod;
use App\Actions\Bench\LeadRun;
use App\Actions\Bench\MarkRun;
use App\Actions\Bench\StartRun;
use App\Actions\FollowUp\LogEntry;
use App\Actions\Readings\RecordReading;
use App\Models\Area;
use App\Models\PenCalibration;
use App\Models\Portion;
use App\Models\PracticeRound;
use App\Models\Reading;
use App\Models\ReagentLot;
use App\Models\Run;
use App\Models\RunTube;
use App\Models\Sample;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\Transect;
use App\Models\User;
use App\Models\VisionRecord;
use HonestCore\Bench\Agenda;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\Mark;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\PracticeScore;
use HonestCore\Colour\VisionCheck;
use Illuminate\Support\Carbon;

/**
 * The demo's bench: a pen, drops, a jar and a probe beside the kit, their runs, and who reads. All of it is made up.
 */
final class BenchSeeder
{
    public function __construct(
        private readonly KeepMethod $keep,
        private readonly StartRun $start,
        private readonly MarkRun $mark,
        private readonly FinishRun $finish,
        private readonly Calibrate $calibrate,
        private readonly RecordReading $record,
    ) {}

    public function __invoke(User $technician, User $reviewer): void
    {
        $site = Site::query()->firstOrFail();
        $this->readers($technician, $reviewer);
        $this->lots();
        Carbon::setTestNow('2026-09-24 13:00:00');
        $methods = [];
        foreach (
            [
                'pen-ph' => 'Reedmace pH pen',
                'drops-k' => 'Sill drop count, potassium',
                'jar-texture' => 'Jar texture',
                'probe-no3n' => 'Sedge nitrate probe',
            ] as $code => $name
        ) {
            $methods[$code] = $this->keep->add(
                MethodDefinition::of(['name' => $name] + MethodLibrary::get($code)->toArray()),
                'Taken up from the generic methods.',
                $technician,
            );
        }
        $methods['pen-ph']->update([
            'links' => [['name' => 'Buffers, safety data sheet', 'url' => 'https://sheets.example/buffers']],
        ]);
        $this->pen($site, $technician, $methods['pen-ph']);
        $this->drops($site, $technician, $methods['drops-k']);
        $this->jar($site, $technician, $methods['jar-texture']);
        $this->practice($technician);
        $this->transects($technician);
        $this->byHand($technician);
    }

    /** A fizz pair that is right and knows a direction alone, and a nitrogen kit that no lab stands beside. */
    private function byHand(User $technician): void
    {
        Carbon::setTestNow('2026-10-03 14:00:00');
        $fizz = $this->keep->add(
            MethodDefinition::of(['name' => 'Crock fizz pair'] + MethodLibrary::get('fizz-ph')->toArray()),
            'Taken up from the generic methods.',
            $technician,
        );
        $nitrogen = $this->keep->add(
            MethodDefinition::of(
                ['name' => 'Burrow capsule kit, ammonium', 'analyte' => 'nh4n'] +
                    MethodLibrary::get('capsule-n')->toArray(),
            ),
            'Taken up from the generic methods; no lab here measures ammonium.',
            $technician,
        );
        foreach (Sample::query()->where('pulled_on', '>=', '2026-09-01')->orderBy('id')->get() as $i => $sample) {
            $ph = (float) Reading::query()
                ->where('sample_id', $sample->id)
                ->whereHas('method', static fn ($method) => $method->where('code', 'lab-ph'))
                ->value('value');
            $common = [
                'read_on' => '2026-10-03',
                'reader' => $technician->name,
                'flags' => [],
                'note' => '',
                'corrects_id' => null,
            ];
            ($this->record)(
                $sample,
                $fizz,
                $technician,
                ['typed' => $ph < 6.5 ? 'acid' : ($ph < 7.0 ? 'neither' : 'carbonate')] + $common,
            );
            $i % 2 === 1 ||
                ($this->record)(
                    $sample,
                    $nitrogen,
                    $technician,
                    ['typed' => ['low', 'medium'][$i % 4 === 0 ? 0 : 1]] + $common,
                );
        }
    }

    private function readers(User $technician, User $reviewer): void
    {
        foreach (
            [
                [$technician, 4711, '2026-04-10', []],
                [$reviewer, 815, '2026-05-04', [3 => null, 5 => null, 8 => null]],
            ] as [$reader, $seed, $day, $missed]
        ) {
            $answers = array_map(
                static fn (array $plate): ?string => $plate['kind'] === 'none' ? null : $plate['figure'],
                VisionCheck::plates($seed),
            );
            $answers = array_replace($answers, $missed);
            $found = VisionCheck::judge($seed, array_values($answers));
            VisionRecord::query()->create([
                'created_by' => $reader->id,
                'reader' => $reader->name,
                'seed' => $seed,
                'answers' => array_values($answers),
                'passed' => $found->passed,
                'right' => $found->right,
                'plates' => $found->of,
                'words' => $found->words,
                'taken_on' => $day,
            ]);
        }
    }

    private function lots(): void
    {
        $kit = TestMethod::query()->where('code', 'kit-ph')->firstOrFail();
        ReagentLot::query()
            ->where('method_id', $kit->id)
            ->update(['expires_on' => '2027-03-31', 'price_cents' => 1960, 'tests' => 40]);
        $kit->lots()->create([
            'reagent' => 'Indicator capsules',
            'lot' => 'B-1907',
            'expires_on' => '2026-06-30',
            'price_cents' => 1840,
            'tests' => 40,
        ]);
    }

    /** Two dips in each of the composites of September, with a calibration before and a buffer after. */
    private function pen(Site $site, User $technician, TestMethod $pen): void
    {
        Carbon::setTestNow('2026-06-13 13:00:00');
        $old = $this->calibrate->keep(
            $technician,
            'Reedmace pen 1',
            [
                ['buffer' => 4.01, 'shown' => 4.32],
                ['buffer' => 7.0, 'shown' => 7.02],
                ['buffer' => 10.01, 'shown' => 9.62],
            ],
            21.0,
            false,
        );
        $this->calibrate->drift($old, 7.0, 7.16);
        Carbon::setTestNow('2026-09-26 13:20:00');
        $calibration = $this->calibrate->keep(
            $technician,
            'Reedmace pen 2',
            [
                ['buffer' => 4.01, 'shown' => 4.06],
                ['buffer' => 7.0, 'shown' => 7.03],
                ['buffer' => 10.01, 'shown' => 9.88],
            ],
            20.5,
            false,
        );
        $portions = Portion::query()
            ->where('kind', 'bench')
            ->whereHas('sample', static fn ($sample) => $sample->where('pulled_on', '>=', '2026-09-01'))
            ->orderBy('id')
            ->get();
        $run = ($this->start)(
            $site,
            $pen,
            $technician,
            $this->setup(
                '2026-09-26 13:30:00',
                $portions->modelKeys(),
                2,
                $technician,
                ['water' => 'distilled', 'soil' => 'dry'],
                20.5,
                calibration: $calibration,
            ),
        );
        $this->lead($run, $technician, static function (RunTube $tube): string {
            $lab = (float) Reading::query()
                ->where('sample_id', $tube->portion->sample_id)
                ->whereHas('method', static fn ($method) => $method->where('code', 'lab-ph'))
                ->value('value');

            return number_format(
                $lab +
                    0.09 +
                    0.06 * sin(7.3 * $tube->portion_id) +
                    0.05 * sin(11.1 * $tube->portion_id + 2 * $tube->replicate),
                1,
            );
        });
        Carbon::setTestNow('2026-09-26 16:05:00');
        $this->calibrate->drift(PenCalibration::query()->findOrFail($calibration->id), 7.0, 7.07);
    }

    private function drops(Site $site, User $technician, TestMethod $drops): void
    {
        $portions = Portion::query()->where('kind', 'bench')->orderByDesc('id')->limit(9)->get();
        // What the card shows by the ground; one orchard composite is called low where the lab finds plenty.
        $shows = [
            'Terrace beds above the house' => '7',
            'Long Meadow, west slope' => '20',
            'Old orchard below the barn' => '8',
            'Blueberry rows by the creek' => '22',
        ];
        $areas = Sample::query()
            ->whereIn('id', $portions->pluck('sample_id'))
            ->with('area:id,name')
            ->get()
            ->mapWithKeys(static fn (Sample $sample): array => [$sample->id => $sample->area->name]);
        $astray = $portions->first(
            static fn (Portion $portion): bool => $areas[$portion->sample_id] === 'Old orchard below the barn',
        )?->id;
        $run = ($this->start)(
            $site,
            $drops,
            $technician,
            $this->setup(
                '2026-09-28 13:00:00',
                $portions->modelKeys(),
                1,
                $technician,
                ['light' => 'behind', 'soil' => 'dry'],
                21.0,
            ),
        );
        $this->lead(
            $run,
            $technician,
            static fn (RunTube $tube): string => $tube->portion_id === $astray
                ? '24'
                : $shows[$areas[(int) $tube->portion->sample_id] ?? 'Long Meadow, west slope'],
        );
    }

    private function jar(Site $site, User $technician, TestMethod $jar): void
    {
        $portion = Portion::query()->where('kind', 'bench')->orderByDesc('id')->firstOrFail();
        $run = ($this->start)(
            $site,
            $jar,
            $technician,
            ['depth_cm' => 16.0] +
                $this->setup(
                    '2026-10-01 12:00:00',
                    [$portion->id],
                    1,
                    $technician,
                    ['dispersant' => 'used', 'soil' => 'dry'],
                    20.0,
                ),
        );
        $heights = ['read-sand' => '31', 'read-silt' => '58', 'read-all' => '70'];
        $this->lead($run, $technician, static fn (RunTube $tube, string $step): string => $heights[$step]);
    }

    /**
     * @param array<array-key, int> $portions
     * @param array<string, string> $said
     * @return array{submission: string, portion_ids: list<int>, replicates: int, readers: non-empty-list<string>,
     *     said: array<string, string>, celsius: float|null, depth_cm: float|null, lot_ids: list<int>,
     *     expired_anyway: bool, calibration_id: int|null, now_ms: int, note: string}
     */
    private function setup(
        string $at,
        array $portions,
        int $replicates,
        User $reader,
        array $said,
        float $celsius,
        ?PenCalibration $calibration = null,
    ): array {
        Carbon::setTestNow($at);

        return [
            'submission' => "demo {$at}",
            'portion_ids' => array_values($portions),
            'replicates' => $replicates,
            'readers' => [$reader->name],
            'said' => $said,
            'celsius' => $celsius,
            'depth_cm' => null,
            'lot_ids' => [],
            'expired_anyway' => false,
            'calibration_id' => $calibration?->id,
            'now_ms' => (int) now()->getPreciseTimestamp(3),
            'note' => '',
        ];
    }

    /**
     * Works a run as its agenda says, a few seconds late each time, and finishes it.
     *
     * @param callable(RunTube, string): string $read what a tube shows at a step
     */
    private function lead(Run $run, User $reader, callable $read): void
    {
        $run = Run::query()
            ->with(['tubes.portion', 'version'])
            ->findOrFail($run->id);
        $steps = LeadRun::steps($run);
        [$scale, $events, $marks, $now] = [$run->version->parsed()->scale, [], [], $run->started_ms];
        while (true) {
            $replay = BenchRun::replay(
                $steps,
                $run->tubes->count(),
                $run->readers,
                $scale,
                $events,
                $run->started_ms,
                $now,
            );
            $task = Agenda::of($steps, $replay, $now)[0] ?? null;
            if ($task === null) {
                break;
            }
            $now = max($now + 2_000, $task['aim_ms'] + 1_500);
            $tube =
                $run->tubes->firstWhere('number', $task['tube']) ??
                throw new \LogicException('The agenda names tubes of the run.');
            $kind = match ($task['act']) {
                'begin' => 'begin',
                'read' => 'read',
                default => 'end',
            };
            $data =
                ['step' => $task['step']] +
                ($kind === 'read' ? ['reader' => $reader->name, 'typed' => $read($tube, $task['step'])] : []);
            $mark = [
                'uuid' => sprintf('demo-%d-%d', $run->id, count($marks)),
                'kind' => $kind,
                'tube' => $task['tube'],
                'at_ms' => $now,
                'data' => $data,
            ];
            $marks[] = $mark;
            $events[] = new Mark(
                $mark['uuid'],
                $kind,
                $task['tube'],
                $now,
                $task['step'],
                $data['reader'] ?? '',
                $data['typed'] ?? '',
            );
        }
        Carbon::setTestNow(Carbon::createFromTimestampMsUTC($now));
        ($this->mark)($run, $reader, $now, $marks);
        ($this->finish)($run, $reader, false, '');
    }

    private function practice(User $technician): void
    {
        Carbon::setTestNow('2026-04-12 09:00:00');
        $kit = TestMethod::query()->where('code', 'kit-ph')->firstOrFail();
        $tubes = $answers = $readings = [];
        foreach (
            [
                [6.1, '6.0', null],
                [5.2, '5.0', null],
                [7.1, '7.0', null],
                [6.1, '6.0', '6.5'],
                [5.2, '5.5', null],
                [6.6, '6.5', null],
                [7.1, '7.0', null],
                [6.6, '6.5', null],
            ] as [$known, $band, $between]
        ) {
            $tubes[] = ['known' => $known, 'hex' => null];
            $answers[] = ['band' => $band, 'between' => $between];
            $readings[] = ['known' => $known, 'band' => $band, 'between' => $between];
        }
        $score = PracticeScore::of($kit->scale() ?? throw new \LogicException('The kit has bands.'), $readings);
        PracticeRound::query()->create([
            'method_id' => $kit->id,
            'created_by' => $technician->id,
            'reader' => $technician->name,
            'source' => 'bench',
            'tubes' => $tubes,
            'answers' => $answers,
            'score' => $score->toArray(),
        ]);
    }

    private function transects(User $technician): void
    {
        $area = Area::query()->where('name', 'Terrace beds above the house')->firstOrFail();
        foreach (QuillHollow::TRANSECTS as $day => $places) {
            Carbon::setTestNow("{$day} 14:00:00");
            Transect::query()->create([
                'area_id' => $area->id,
                'created_by' => $technician->id,
                'read_on' => $day,
                'reader' => $technician->name,
                'instrument' => 'Sedge nitrate probe',
                'row_spacing_cm' => 76.2,
                'note' => '',
                'places' => array_map(
                    static fn (array $readings, int $i): array => [
                        'cm' => round(min(38.1, 7.62 * $i), 2),
                        'readings' => $readings,
                    ],
                    $places,
                    array_keys($places),
                ),
            ]);
        }
        foreach (QuillHollow::GROUND_EVENTS as [$day, $kind, $what, $amount, $unit]) {
            $entry = $kind === 'rain'
                ? LogEntry::rain($area, $day, (float) $amount, $unit)
                : LogEntry::spread($area, $day, $what, (float) $amount, $unit, by: $technician->name);
            $entry->write($technician);
        }
    }
}
