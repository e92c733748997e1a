<?php

declare(strict_types=1);

namespace Tests\Feature\Session;

use App\Actions\Practice\BeginPractice;
use App\Models\Area;
use App\Models\Consignment;
use App\Models\GroundEvent;
use App\Models\Invitation;
use App\Models\LabReport;
use App\Models\Landmark;
use App\Models\PenCalibration;
use App\Models\Photo;
use App\Models\PracticeClass;
use App\Models\PracticeRound;
use App\Models\RecordChange;
use App\Models\ReportQuestion;
use App\Models\Run;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\Site;
use App\Models\Underlay;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use Tests\Feature\ApiTestCase;

/** One team never sees another's. */
final class TeamsTest extends ApiTestCase
{
    public function test_another_teams_records_are_not_there(): void
    {
        $site = $this->site();
        $area = $this->area($site);
        $landmark = $site
            ->landmarks()
            ->create([
                'name' => 'Mill Lane',
                'geometry' => ['type' => 'Point', 'coordinates' => [-76.281, 42.9145]],
                'distance_m' => 10,
            ]);
        $underlay = Underlay::query()->create([
            'site_id' => $site->id,
            'name' => 'flight.png',
            'file' => 'underlays/none',
            'mime' => 'image/png',
            'width' => 60,
            'height' => 60,
            'known' => [],
        ]);
        $sample = $this->pair($area, '5.5', '5.60');
        $kit = $this->method('kit-ph');
        $this->actingAs($this->reviewer);
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->json('hash');
        $verdict = $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            ['claim' => 'sort', 'hash' => $hash, 'password' => 'peat', 'follows_id' => null, 'scope' => 'All of Fen End.', 'note' => ''],
            ['method' => $kit->id],
        )->json('id');

        [, $stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);

        foreach (
            [
                ['GET', '/sites/{site}', ['site' => $site->id]],
                ['POST', '/sites/{site}/areas', ['site' => $site->id]],
                ['POST', '/sites/{site}/areas/batch', ['site' => $site->id]],
                ['POST', '/sites/{site}/landmarks', ['site' => $site->id]],
                ['DELETE', '/landmarks/{landmark}', ['landmark' => $landmark->id]],
                ['PUT', '/areas/{area}', ['area' => $area->id]],
                ['POST', '/areas/{area}/cut', ['area' => $area->id]],
                ['POST', '/areas/{area}/hole', ['area' => $area->id]],
                ['POST', '/areas/{area}/join/{other}', ['area' => $area->id, 'other' => $area->id]],
                ['GET', '/areas/{area}/together/{other}', ['area' => $area->id, 'other' => $area->id]],
                ['GET', '/sites/{site}/underlays', ['site' => $site->id]],
                ['POST', '/sites/{site}/underlays', ['site' => $site->id]],
                ['PUT', '/underlays/{underlay}', ['underlay' => $underlay->id]],
                ['DELETE', '/underlays/{underlay}', ['underlay' => $underlay->id]],
                ['POST', '/areas/{area}/plans/draft', ['area' => $area->id]],
                ['POST', '/areas/{area}/plans', ['area' => $area->id]],
                ['POST', '/areas/{area}/comparison', ['area' => $area->id]],
                ['GET', '/areas/{area}/located-results', ['area' => $area->id]],
                ['GET', '/areas/{area}/schools', ['area' => $area->id]],
                ['GET', '/plans/{plan}/sheet', ['plan' => $sample->plan_id]],
                ['GET', '/plans/{plan}/calendar', ['plan' => $sample->plan_id]],
                ['GET', '/plans/{plan}', ['plan' => $sample->plan_id]],
                ['PUT', '/plans/{plan}', ['plan' => $sample->plan_id]],
                ['POST', '/plans/{plan}/samples', ['plan' => $sample->plan_id]],
                ['GET', '/samples/{sample}', ['sample' => $sample->id]],
                ['POST', '/samples/{sample}/readings', ['sample' => $sample->id]],
                ['POST', '/samples/{sample}/results', ['sample' => $sample->id]],
                ['GET', '/evidence/{method}', ['method' => $kit->id]],
                ['POST', '/evidence/{method}/verdicts', ['method' => $kit->id]],
                ['GET', '/verdicts/{verdict}', ['verdict' => $verdict]],
                ['GET', '/areas/{area}/recommendation', ['area' => $area->id]],
            ] as [$method, $path, $ids]
        ) {
            $this->api($method, $path, ids: $ids)->assertStatus(404);
        }
        foreach (
            [
                "/api/underlays/{$underlay->id}/picture",
                "/api/sites/{$site->id}/areas/export/kml",
                "/api/plans/{$sample->plan_id}/points/gpx",
                "/api/plans/{$sample->plan_id}/calendar.ics",
            ] as $file
        ) {
            $this->getJson($file)->assertNotFound();
        }
        foreach (['/plans', '/recommendations'] as $path) {
            $this->api('GET', $path, query: ['site_id' => $site->id])->assertOk()->assertExactJson([]);
        }
        foreach (['/today', '/follow-up'] as $path) {
            $this->api('GET', $path, query: ['site_id' => $site->id])->assertStatus(404);
        }
        $this->api('GET', '/sites')->assertExactJson([]);
        $nothing = ['total' => 0, 'more' => false, 'page' => 1, 'pages' => 1, 'rows' => []];
        $this->api('GET', '/verdicts')->assertExactJson($nothing);
        $this->api('GET', '/verdicts.json')->assertExactJson([]);
        $this->api('GET', '/reports')->assertExactJson($nothing);
        $this->api('GET', '/samples', query: ['site_id' => $site->id])->assertExactJson($nothing);
        $this->api('GET', '/search', query: ['q' => 'Sedge'])->assertExactJson([]);
        $this->api('GET', '/search', query: ['q' => $sample->code])->assertExactJson([]);
        self::assertSame(0, Sample::query()->count());
        self::assertSame(0, SignedVerdict::query()->count());
        $this->actingAs($this->technician);
        self::assertSame(1, Landmark::query()->count());
    }

    /** Whoever holds a secret address comes by it with nobody signed in. */
    public const BY_ADDRESS = [
        'GET api/invitations/{token}', 'POST api/invitations/{token}', 'POST api/password/ask', 'POST api/password/reset',
    ];

    public function test_every_route_that_names_a_record_is_closed_to_other_teams_and_every_route_to_nobody(): void
    {
        $site = $this->site();
        $area = $this->area($site);
        $sample = $this->pair($area, '5.5', '5.60');
        $portion = $sample->portions()->firstOrFail();
        $lab = $this->lab('Marl');
        $consignment = Consignment::query()->create([
            'lab_id' => $lab->id,
            'created_by' => $this->technician->id,
            'number' => 1,
            'submission' => 'x',
            'state' => 'packed',
            'form' => [],
            'warnings' => [],
            'fee_cents' => 0,
        ]);
        $ids = [
            'site' => $site->id,
            'area' => $area->id,
            'other' => $area->id,
            'plan' => $sample->plan_id,
            'sample' => $sample->id,
            'portion' => $portion->id,
            'method' => $this->method('kit-ph')->id,
            'lab' => $lab->id,
            'consignment' => $consignment->id,
            'photo' => Photo::query()->create([
                'sample_id' => $sample->id,
                'created_by' => $this->technician->id,
                'file' => 'photos/none',
                'type' => 'image/png',
                'sha256' => str_repeat('0', 64),
            ])->id,
            'landmark' => $site->landmarks()->create([
                'name' => 'Mill Lane',
                'geometry' => ['type' => 'Point', 'coordinates' => [-76.281, 42.9145]],
                'distance_m' => 10,
            ])->id,
            'underlay' => Underlay::query()->create([
                'site_id' => $site->id,
                'name' => 'flight.png',
                'file' => 'underlays/none',
                'mime' => 'image/png',
                'width' => 60,
                'height' => 60,
                'known' => [],
            ])->id,
            ...$this->bench($site, $area),
            'report' => LabReport::query()->create([
                'created_by' => $this->technician->id,
                'file_name' => 'a',
                'sha256' => str_repeat('1', 64),
                'rows' => 1,
            ])->id,
            'question' => $this->question(),
            'verdict' => 1,
            'invitation' => Invitation::record([
                'created_by' => $this->technician->id, 'email' => 'rue@fen.example', 'role' => 'reader', 'administers' => false,
                'token_hash' => str_repeat('0', 64), 'ends_at' => now()->addDay(),
            ])->id,
            'change' => RecordChange::record([
                'kind' => 'area', 'record_id' => $area->id, 'name' => 'x', 'before' => ['name' => 'x'], 'after' => ['name' => 'y'],
                'at' => now(),
            ])->id,
            'delivered' => 1,
            'ground' => app(BeginPractice::class)($this->technician, 'gentle', 1)->id,
            'class' => PracticeClass::open($this->technician, 'Winter course', 'gentle', 1, null)->id,
            'id' => 1,
            'format' => 'kml',
        ];
        [, $stranger] = $this->team('Moor crew', 'moor');
        $open = ['GET api/welcome', 'GET api/health', 'POST api/session', ...self::BY_ADDRESS];
        $asked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $method = $route->methods()[0];
            if (! str_starts_with($route->uri(), 'api/') || in_array("{$method} {$route->uri()}", $open, true)) {
                continue;
            }
            $url =
                '/'.
                preg_replace_callback(
                    '/{(\w+)}/',
                    static fn (array $m): string => (string) ($ids[$m[1]] ?? ($m[1] === 'name' ? str_repeat('a', 32) : 'none')),
                    $route->uri(),
                );
            Auth::forgetGuards();
            self::assertSame(401, $this->json($method, $url)->status(), "{$method} {$url}, with nobody signed in");
            if (array_intersect($route->parameterNames(), array_keys($ids)) !== []) {
                self::assertSame(
                    404,
                    $this->actingAs($stranger)->json($method, $url)->status(),
                    "{$method} {$url}, by a stranger",
                );
                $asked++;
            }
        }
        self::assertGreaterThan(67, $asked);
    }

    private function question(): int
    {
        return ReportQuestion::query()->create([
            'report_id' => LabReport::query()->firstOrFail()->id,
            'kind' => 'range',
            'words' => 'x',
            'result_ids' => [],
        ])->id;
    }

    /** @return array<string, int> records of the bench */
    private function bench(Site $site, Area $area): array
    {
        $kit = $this->method('kit-ph');
        $mine = ['created_by' => $this->technician->id];
        $round = PracticeRound::query()->create(
            $mine + ['method_id' => $kit->id, 'reader' => 'Ada', 'source' => 'bench', 'tubes' => []],
        );
        $calibration = PenCalibration::query()->create(
            $mine + [
                'instrument' => 'Pen',
                'in_millivolts' => false,
                'celsius' => 20,
                'points' => [],
                'slope_percent' => 97,
                'offset' => 0,
                'residual' => 0,
                'reasons' => [],
                'at' => now(),
            ],
        );
        $event = GroundEvent::query()->create(
            $mine + [
                'area_id' => $area->id,
                'kind' => 'rain',
                'on' => '2026-06-01',
                'what' => '',
                'amount' => 1,
                'unit' => 'mm',
            ],
        );
        $run = Run::query()->create(
            $mine + [
                'site_id' => $site->id,
                'method_id' => $kit->id,
                'method_version_id' => $kit->versions()->firstOrFail()->id,
                'submission' => 'x',
                'readers' => ['Ada'],
                'said' => [],
                'lots' => [],
                'steps' => [],
                'started_ms' => 1,
                'note' => '',
            ],
        );

        return ['run' => $run->id, 'calibration' => $calibration->id, 'round' => $round->id, 'event' => $event->id];
    }

    public function test_a_record_takes_the_team_of_whoever_makes_it_whatever_is_asked(): void
    {
        [$stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($this->technician);
        $report = LabReport::query()->create([
            'created_by' => $this->technician->id,
            'file_name' => 'x',
            'sha256' => str_repeat('0', 64),
            'rows' => 1,
            'team_id' => $stranger->team_id,
        ]);

        self::assertSame($this->technician->team_id, $report->refresh()->getAttribute('team_id'));
    }

    public function test_with_nobody_signed_in_there_is_nothing_to_see(): void
    {
        $this->sample();
        Auth::logout();

        self::assertSame(0, Sample::query()->count());
    }

    public function test_both_may_have_the_same_letters_codes_and_files(): void
    {
        $first = $this->sample();
        [$stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);
        $this->technician = $stranger;
        $second = $this->sample();

        self::assertSame($first->code, $second->code);
        $csv = "sample,ph\n{$second->code},6.1\n";
        $lab = $this->lab('Moor Laboratory');
        $this->actingAs($stranger)
            ->post(
                '/api/reports',
                [
                    'file' => \Illuminate\Http\UploadedFile::fake()->createWithContent('r.csv', $csv),
                    'read_on' => '2026-09-20',
                    'lab_id' => $lab->id,
                ],
                ['Accept' => 'application/json'],
            )
            ->assertCreated();
        self::assertSame('6.1', $second->readings()->value('as_reported'));
    }
}
