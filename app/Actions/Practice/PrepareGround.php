<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Areas\WriteArea;
use App\Actions\Plans\SavePlan;
use App\Actions\Samples\PullComposite;
use App\Models\Area;
use App\Models\Lab;
use App\Models\Landmark;
use App\Models\Plan;
use App\Models\PracticeField;
use App\Models\Sample;
use App\Models\Site;
use App\Models\User;
use App\Models\VisionRecord;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use HonestCore\Practice\Lesson;
use HonestCore\Sampling\AreaFacts;
use HonestCore\Sampling\PlanSpec;
use Illuminate\Support\Carbon;

/** The ground as somebody finds it: its areas and what lies in it, a lab, and what a lesson begins with. */
final class PrepareGround
{
    /** An area of the year before lies so far north of the ground that no wall reaches it. */
    private const EARLIER_FROM_M = 220.0;

    private const CELL_ACRES = 0.36;

    private const TESTS = [
        'ph' => ['pH in water', 900, 'water', 'pH'],
        'mehlich' => ['Mehlich buffer pH', 350, '', 'pH'],
        'smp' => ['SMP buffer pH', 350, '', 'pH'],
        'p' => ['phosphorus', 600, 'Mehlich-3', 'ppm'],
        'k' => ['potassium', 600, 'Mehlich-3', 'ppm'],
        'om' => ['organic matter', 700, '', '%'],
        'lead' => ['lead', 3400, 'acid digestion', 'ppm'],
    ];

    public function __construct(
        private readonly WriteArea $writeArea,
        private readonly SavePlan $savePlan,
        private readonly PullComposite $pull,
        private readonly ReadEarlierPairs $pairs,
    ) {}

    public function __invoke(PracticeField $field, User $twin, User $home, int $pairs): void
    {
        $lesson = $field->lessonOf();
        $site = $this->site($field, $home);
        $areas = $this->areas($field, $site, $lesson->halves ?? false);
        $this->lab($lesson);
        $this->eyes($twin);
        if ($lesson?->cores !== null) {
            $this->plans($areas, $twin, $field, $lesson);
        }
        $pairs = $lesson->pairs ?? $pairs;
        if ($pairs > 0) {
            $this->earlier($field, $twin, $home, $pairs);
        }
    }

    private function site(PracticeField $field, User $home): Site
    {
        $own = Site::query()->withoutGlobalScopes()->where('team_id', $home->team_id)->orderBy('name')->first();
        $site = $this->newSite($own, PracticeField::SITE, 'PG');
        [$wall, $width] = [$field->ground()->features()['wall_m'], $field->ground()->widthM];
        $site->landmarks()->create([
            'name' => 'Gravel road',
            'distance_m' => 10,
            'geometry' => [
                'type' => 'LineString',
                'coordinates' => [$field->degrees([0.0, -3.0]), $field->degrees([$width, -3.0])],
            ],
        ]);
        $site->landmarks()->create([
            'name' => 'Old wall, once painted',
            'distance_m' => 8,
            'geometry' => ['type' => 'Point', 'coordinates' => $field->degrees($wall)],
        ]);

        return $site;
    }

    /** What a check of colour vision would say is nothing to practise on: readings by eye count here without one. */
    private function eyes(User $twin): void
    {
        VisionRecord::query()->create([
            'created_by' => $twin->id,
            'reader' => $twin->name,
            'seed' => 1,
            'answers' => [],
            'passed' => true,
            'right' => 0,
            'plates' => 0,
            'words' => 'On practice ground eyes are taken as checked.',
            'taken_on' => now()->format('Y-m-d'),
        ]);
    }

    private function newSite(?Site $own, string $name, string $letters): Site
    {
        return Site::query()->create([
            'name' => $name,
            'letters' => $letters,
            'address' => 'Made up: nothing here is real',
            'timezone' => $own->timezone ?? 'America/New_York',
            'units' => $own->units ?? 'us',
            'latitude' => PracticeField::MIDDLE[1],
            'longitude' => PracticeField::MIDDLE[0],
        ]);
    }

    /** @return non-empty-list<Area> */
    private function areas(PracticeField $field, Site $site, bool $halves): array
    {
        $ground = $field->ground();
        $line = $ground->features()['line_m'];
        $west = 'Plowed and cropped for years; a strip was limed once.';
        $east = 'In hay for years, never limed but for the strip.';
        if ($halves) {
            return [
                $this->area($field, $site, 'West half', $west, [0.0, 0.0, $line, $ground->heightM]),
                $this->area($field, $site, 'East half', $east, [$line, 0.0, $ground->widthM, $ground->heightM]),
            ];
        }

        return [$this->area(
            $field,
            $site,
            'The field',
            'West of the old ditch plowed and cropped for years, east of it in hay. A strip along the middle was limed once.',
            [0.0, 0.0, $ground->widthM, $ground->heightM],
            ['slopes' => ['level'], 'events' => [[
                'kind' => 'fertiliser', 'on' => '2023', 'part' => true, 'note' => 'the plowed west alone, for years',
            ]]],
        )];
    }

    /**
     * @param array{float, float, float, float} $box metres: west, south, east, north
     * @param array<string, mixed> $facts
     */
    private function area(PracticeField $field, Site $site, string $name, string $history, array $box, array $facts = []): Area
    {
        [$w, $s, $e, $n] = $box;
        $ring = array_map(
            $field->degrees(...),
            [[$w, $s], [$e, $s], [$e, $n], [$w, $n], [$w, $s]],
        );

        return $this->writeArea->new($site, [
            'name' => $name,
            'use' => 'corn',
            'history' => $history,
            'boundary' => ['type' => 'Polygon', 'coordinates' => [$ring]],
            ...$facts === [] ? [] : ['facts' => AreaFacts::of($facts)->toArray()],
        ]);
    }

    private function lab(?Lesson $lesson): void
    {
        $tests = [];
        foreach (self::TESTS as $code => [$name, $fee, $extractant, $unit]) {
            $tests[] = [
                'code' => $code, 'name' => $name, 'method' => 'practice', 'extractant' => $extractant, 'unit' => $unit,
                'fee_cents' => $fee, 'needs_ml' => 40, 'depth' => '0-6in', 'outside' => '',
            ];
        }
        Lab::query()->create([
            'name' => 'Practice laboratory',
            'address' => 'Made up',
            'email' => 'desk@practice.invalid',
            'turnaround_days' => 5,
            'transit_days' => 1,
            'holidays' => [],
            'bag_ml' => 350,
            'quarantine' => '',
            'service' => true,
            'tests' => array_values(array_filter(
                $tests,
                static fn (array $test): bool => $lesson?->namelessBuffer !== true || $test['code'] !== 'mehlich',
            )),
            'form' => [],
            'columns' => [['column' => 'Sample', 'field' => 'code'], ['column' => 'Tests', 'field' => 'tests']],
        ]);
    }

    /** @param non-empty-list<Area> $areas */
    private function plans(array $areas, User $twin, PracticeField $field, Lesson $lesson): void
    {
        $samples = [];
        foreach ($areas as $i => $area) {
            $plan = $this->plan($area, $twin, $lesson->cores ?? 1, $field->seed + $i);
            $samples = [...$samples, ...$lesson->pulled ? $this->pulled($plan, $twin, Carbon::now()->subDays(3)) : []];
        }
        if ($lesson->measured) {
            $this->pairs->measure($field, $twin, $samples, Carbon::now()->subDay());
        }
    }

    private function plan(Area $area, User $twin, int $cores, int $seed, ?float $cellAcres = null): Plan
    {
        return $this->savePlan->new($area, $twin, PlanSpec::fromRow([
            'purpose' => 'routine',
            'layers' => ['0-6in'],
            'cores' => $cores,
            'pattern' => 'random',
            'cell_acres' => $cellAcres,
            'edge_m' => 2.0,
            'probe_mm' => 19.0,
            'seed' => $seed,
            'keep_away' => array_map(
                static fn (Landmark $landmark): array => $landmark->keptAway()->toRow(),
                Landmark::query()->where('site_id', $area->site_id)->orderBy('id')->get()->all(),
            ),
        ]));
    }

    /** @return non-empty-list<Sample> */
    private function pulled(Plan $plan, User $twin, Carbon $on, int $composite = 1): array
    {
        $cores = $plan->layout->coresOf($composite);

        return ($this->pull)(
            $plan,
            $twin,
            [
                'composite' => $composite,
                'pulled_on' => $on->format('Y-m-d'),
                'pulled_by' => $twin->name,
                'cores_pulled' => $cores,
                'note' => '',
                'submission' => null,
            ],
            array_map(static fn (int $sequence): CoreMark => new CoreMark($sequence, Outcome::Pulled, null), range(1, $cores)),
        );
    }

    /** Ground of the year before with as many composites as pairs are wanted, read by the kit first and measured afterwards. */
    private function earlier(PracticeField $field, User $twin, User $home, int $pairs): void
    {
        $own = Site::query()->withoutGlobalScopes()->where('team_id', $home->team_id)->orderBy('name')->first();
        $site = $this->newSite($own, PracticeField::EARLIER, 'LY');
        $ground = $field->ground();
        $area = $this->area(
            $field,
            $site,
            'Last year’s plots',
            'Pulled plot by plot last year.',
            [0.0, self::EARLIER_FROM_M, $ground->widthM, self::EARLIER_FROM_M + $ground->heightM],
        );
        $plan = $this->plan($area, $twin, 5, $field->seed, self::CELL_ACRES);
        $samples = [];
        for ($i = 0; $i < min($pairs, $plan->composites); $i++) {
            $samples[] = $this->pulled($plan, $twin, Carbon::now()->subDays(150 - 5 * $i), $i + 1)[0];
        }
        $this->pairs->read($field, $twin, $samples);
        $this->pairs->measure($field, $twin, $samples, Carbon::now()->subDays(20));
    }
}
