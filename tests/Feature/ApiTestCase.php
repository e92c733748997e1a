<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Areas\WriteArea;
use App\Actions\Evidence\ComputeAhead;
use App\Actions\Plans\SavePlan;
use App\Actions\Readings\RecordReading;
use App\Actions\Samples\PullComposite;
use App\Actions\Teams\FoundTeam;
use App\Models\Area;
use App\Models\Lab;
use App\Models\Plan;
use App\Models\Sample;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Agreement\Looking;
use HonestCore\Sampling\PlanSpec;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\ApiDocument;

/** Requests to the API; every answer, refusals too, is held against docs/openapi.yaml. */
abstract class ApiTestCase extends TestCase
{
    use RefreshDatabase;

    public $mockConsoleOutput = false;

    protected const SQUARE = [
        'type' => 'Polygon',
        'coordinates' => [
            [[-76.282, 42.914], [-76.28, 42.914], [-76.28, 42.9155], [-76.282, 42.9155], [-76.282, 42.914]],
        ],
    ];

    protected const BOW_TIE = [
        'type' => 'Polygon',
        'coordinates' => [[[0, 0], [0.001, 0.001], [0.001, 0], [0, 0.001], [0, 0]]],
    ];

    protected const SPEC = [
        'purpose' => 'routine',
        'school' => null,
        'layers' => ['0-6in'],
        'cores' => 12,
        'pattern' => 'zigzag',
        'cell_acres' => null,
        'cell_mode' => 'over',
        'rows' => null,
        'zones' => null,
        'start' => null,
        'speed_km_per_h' => null,
        'seconds_per_core' => null,
        'edge_m' => 5.0,
        'probe_mm' => 19.0,
        'seed' => 3,
        'ph_sd' => null,
        'kept_reason' => null,
        'keep_away' => [],
    ];

    protected User $technician;

    protected User $reviewer;

    protected function setUp(): void
    {
        parent::setUp();
        // A request that takes a report limits its own time; the tests after it are no part of that.
        set_time_limit(0);
        [$this->technician, $this->reviewer] = $this->team('Fen crew', 'fen');
        $this->actingAs($this->technician);
    }

    /**
     * Sends a request by its path in the document, and holds the answer against it.
     *
     * @param array<string, mixed>|null $body
     * @param array<string, int> $ids
     * @param array<string, string|int|float> $query
     * @return TestResponse<Response>
     */
    protected function api(
        string $method,
        string $path,
        ?array $body = null,
        array $ids = [],
        array $query = [],
    ): TestResponse {
        $this->computeAhead();
        $url = '/api'.preg_replace_callback('/{(\w+)}/', static fn (array $m): string => (string) $ids[$m[1]], $path);
        $response = $this->json($method, $url.($query === [] ? '' : '?'.http_build_query($query)), $body ?? []);
        ApiDocument::assertMatches($method, $path, $response->status(), (string) $response->getContent());

        return $response;
    }

    /** What a test wrote beside requests is computed, as it is after each of them. */
    protected function computeAhead(): void
    {
        $user = User::signedIn();
        if ($user !== null && DB::scalar('PRAGMA query_only') === 0) {
            app(ComputeAhead::class)($user->team_id);
        }
    }

    /** @return array{User, User} technician and reviewer of a new team */
    protected function team(string $name, string $mail): array
    {
        $technician = app(FoundTeam::class)(
            $name,
            [
                'name' => 'Ada Fenwright',
                'email' => "{$mail}-t@team.example",
                'password' => 'peat',
                'role' => User::TECHNICIAN,
            ],
            'Marl Laboratory',
            'Loam capsule kit',
            'L-1',
            Looking::Once,
            blind: false,
        );
        $reviewer = User::query()->create([
            'name' => 'Bram Heather',
            'email' => "{$mail}-r@team.example",
            'password' => 'peat',
            'role' => User::REVIEWER,
            'team_id' => $technician->team_id,
        ]);

        return [$technician->refresh(), $reviewer];
    }

    protected function site(string $letters = 'FN'): Site
    {
        return Site::query()->create([
            'name' => 'Fen End',
            'letters' => $letters,
            'address' => '1 Dyke',
            'timezone' => 'America/New_York',
            'units' => 'us',
            'latitude' => 42.915,
            'longitude' => -76.281,
        ]);
    }

    protected function area(?Site $site = null, string $use = 'pasture', string $name = 'Sedge meadow'): Area
    {
        return app(WriteArea::class)
            ->new($site ?? $this->site(), ['name' => $name, 'use' => $use, 'history' => '', 'boundary' => self::SQUARE])
            ->refresh();
    }

    /** @param array<string, mixed> $other than the usual fields */
    protected static function spec(array $other = []): PlanSpec
    {
        return PlanSpec::fromRow($other + self::SPEC);
    }

    protected function plan(?Area $area = null): Plan
    {
        return app(SavePlan::class)
            ->new($area ?? $this->area(), $this->technician, self::spec())
            ->refresh();
    }

    protected function sample(?Area $area = null, string $day = '2026-09-01'): Sample
    {
        return app(PullComposite::class)(
            $this->plan($area),
            $this->technician,
            [
                'composite' => 1,
                'pulled_on' => $day,
                'pulled_by' => 'Ada Fenwright',
                'cores_pulled' => 12,
                'note' => '',
                'submission' => null,
            ],
            [],
        )[0]->refresh();
    }

    /**
     * A plan of cells with a duplicate of the third, pulled on one day.
     *
     * @param non-empty-list<string|null> $found pH of each cell
     * @return non-empty-list<Sample> the cells in their order
     */
    protected function cells(Area $area, array $found, string $twin): array
    {
        $plan = $this->plan($area);
        $layout = $plan->layout->toRow();
        $one = $plan->layout->composites[0]->toRow();
        $layout['composites'] = array_map(
            static fn (int $number): array => ['number' => $number] +
                ($number > count($found) ? ['duplicate_of' => 3] : []) +
                $one,
            range(1, count($found) + 1),
        );
        $layout['quality'] = ['duplicates' => 1, 'hidden' => []];
        Plan::query()
            ->whereKey($plan->id)
            ->update([
                'composites' => count($found) + 1,
                'layout' => json_encode($layout, JSON_THROW_ON_ERROR),
            ]);
        $samples = [];
        foreach ([...$found, $twin] as $i => $ph) {
            $sample = $this->sample($area, '2026-09-20');
            Sample::query()
                ->whereKey($sample->id)
                ->update(['plan_id' => $plan->id, 'composite' => $i + 1]);
            $ph === null || $this->read($sample, 'lab-ph', $ph);
            $samples[] = $sample->refresh();
        }

        return $samples;
    }

    protected function lab(string $name): Lab
    {
        return Lab::query()->create([
            'name' => $name,
            'address' => '',
            'email' => '',
            'turnaround_days' => 8,
            'transit_days' => 2,
            'holidays' => [],
            'bag_ml' => 400,
            'quarantine' => '',
            'tests' => [],
            'form' => [],
            'columns' => [],
        ]);
    }

    protected function method(string $code): TestMethod
    {
        return TestMethod::query()->where('code', $code)->firstOrFail();
    }

    /** @param list<string> $flags */
    protected function read(
        Sample $sample,
        string $code,
        string $typed,
        array $flags = [],
        string $on = '2026-09-03',
    ): void {
        app(RecordReading::class)($sample, $this->method($code), $this->technician, [
            'typed' => $typed,
            'read_on' => $on,
            'reader' => 'Ada Fenwright',
            'flags' => $flags,
            'note' => '',
            'corrects_id' => null,
        ]);
    }

    /** A composite with a kit band and a lab pH. */
    protected function pair(Area $area, string $band, string $ph): Sample
    {
        $sample = $this->sample($area);
        // An evening of its own: what is read in one sitting is worth less.
        $this->read($sample, 'kit-ph', $band, on: '2026-09-'.(2 + $sample->number % 27));
        $this->read($sample, 'lab-ph', $ph);

        return $sample;
    }

    /** Clean pairs enough for the sort claim to stand. */
    protected function provenKit(Area $area): void
    {
        foreach (['5.0' => '5.02', '6.5' => '6.51', '7.5' => '7.55'] as $band => $ph) {
            for ($i = 0; $i < 5; $i++) {
                $this->pair($area, (string) $band, $ph);
            }
        }
    }
}
