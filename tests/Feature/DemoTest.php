<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Area;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\SignedProgram;
use App\Models\Team;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Tests\Support\Command;

/** The demo is one season of an invented place, and the same each time. */
final class DemoTest extends TestCase
{
    use RefreshDatabase;

    public $mockConsoleOutput = false;

    public function test_it_holds_a_season(): void
    {
        $this->seed(DemoSeeder::class);
        $this->actingAs(User::query()->where('role', User::REVIEWER)->firstOrFail());

        self::assertSame(
            [14, 57, 19, 49],
            [
                Area::query()->count(),
                Sample::query()->count(),
                Reading::query()->whereHas('method', static fn ($m) => $m->where('code', 'kit-ph'))->count(),
                Reading::query()->whereHas('method', static fn ($m) => $m->where('code', 'lab-ph'))->count(),
            ],
        );
        $sort = $this->getJson('/api/evidence/1')->assertOk()->json('claims.sort');
        self::assertSame(
            ['open', 'untested', true],
            [$sort['computed']['verdict'], $sort['signed']['verdict'], $sort['moved']],
        );
        $this->getJson('/api/recommendations?site_id=1')
            ->assertOk()
            ->assertJsonFragment(['kind' => 'amount'])
            ->assertJsonFragment(['kind' => 'leave']);
    }

    public function test_it_begins_anew_and_what_was_done_in_it_is_put_aside(): void
    {
        $this->seed(DemoSeeder::class);
        config(['app.demo' => true]);
        $maren = User::query()->where('email', 'maren@demo.example')->firstOrFail();
        $this->actingAs($maren);
        Area::query()->where('name', 'Long Meadow, west slope')->update(['name' => 'Trodden down']);
        $before = Sample::query()->count();
        $text = $this->postJson('/api/demo/reset')->assertOk()->streamedContent();
        self::assertStringContainsString('"ready":true', $text);

        $again = User::query()->where('email', 'maren@demo.example')->firstOrFail();
        self::assertNotSame($maren->team_id, $again->team_id);
        self::assertNotNull($maren->refresh()->closed_at);
        $this->app['auth']->forgetGuards();
        $this->actingAs($again);
        self::assertSame($before, Sample::query()->count());
        self::assertSame(0, Area::query()->where('name', 'Trodden down')->count());
        self::assertSame(1, Area::query()->withoutGlobalScopes()->where('name', 'Trodden down')->count());
        self::assertStringContainsString('put aside', (string) Team::query()->findOrFail($maren->team_id)->name);
    }

    public function test_it_holds_five_years_of_ground_that_was_followed(): void
    {
        $this->seed(DemoSeeder::class);
        $this->actingAs(User::query()->where('role', User::REVIEWER)->firstOrFail());
        $words = [];
        foreach ($this->getJson('/api/sites/3/answers')->assertOk()->json() as $one) {
            $words["{$one['area']} {$one['season']} {$one['key']}"] = [$one['state'], $one['word']];
        }
        self::assertSame(['answered', 'as_expected'], $words['Corn ground above the weir 2022 lime']);
        self::assertSame(['answered', 'not_seen'], $words['Bean rows under the sprinkler 2022 lime'], 'its water did the same');
        self::assertSame(['broken', 'cannot_tell'], $words['Corn ground above the weir 2024 lime'], 'its lab changed');
        self::assertSame(['answered', 'not_seen'], $words['Heather bank below the old kiln 2023 sulphur'], 'at pH 8.4');
        $series = $this->getJson('/api/areas/9/series')->assertOk()->json();
        self::assertSame([null, false, true], array_column($series['watched'], 'changed'));
        self::assertSame([3, 2], array_map(static fn (array $one): int => count($one['points']), $series['treated']['stretches']));
        $transects = $this->getJson('/api/areas/1/transects')->assertOk()->json();
        self::assertNotSame([], $transects['transects']);
        self::assertEqualsCanonicalizing(['application', 'rain'], array_values(array_unique(array_column($transects['events'], 'kind'))));
    }

    public function test_it_holds_programs_of_every_kind(): void
    {
        $this->seed(DemoSeeder::class);
        $this->actingAs(User::query()->where('role', User::REVIEWER)->firstOrFail());
        $said = $products = [];
        foreach (SignedProgram::query()->with('area')->get() as $program) {
            $lines = array_merge(...array_map(
                static fn (array $part): array => array_merge(...array_column($part['steps'], 'lines')),
                $program->body['parts'],
            ));
            $said[$program->area->name] = implode('; ', array_column($lines, 'what'));
            $products[$program->area->name] = array_column($program->body['parts'][0]['amounts'], 'product');
        }

        self::assertCount(9, $said);
        self::assertStringContainsString('Lime, first dressing; Lime, the rest', $said['Long Meadow, west slope']);
        self::assertStringContainsString('No phosphorus', $said['Terrace beds above the house']);
        self::assertStringContainsString('No sulphur', $said['Azalea border under the rendered wall']);
        self::assertContains('wood-ash', $products['Raspberry canes past the pump']);
        self::assertSame([], $products['Herb patch behind the pump house']);
        $paddock = SignedProgram::query()->whereHas('area', static fn ($area) => $area->where('name', 'like', 'Paddock%'))->firstOrFail();
        self::assertCount(4, $paddock->spreadParts());
        self::assertContains(0.0, array_column(array_merge(...array_column($paddock->spreadParts(), 'rates')), 'lb_per_acre'));
    }

    /**
     * Pulled as one the paddock read 7, and nothing was to be done; its cells want lime here and are too high there,
     * and the page says so.
     */
    public function test_it_holds_the_average_that_hides_two_grounds(): void
    {
        $this->seed(DemoSeeder::class);
        $this->actingAs(User::query()->where('role', User::REVIEWER)->firstOrFail());
        $paddock = Area::query()->where('name', 'Paddock by the gravel road')->firstOrFail();
        $found = $this->getJson("/api/areas/{$paddock->id}/recommendation")->assertOk();

        self::assertEquals(
            [[8.2, 'too_high'], [6.42, 'leave'], [5.9, 'amount'], [7.58, 'too_high']],
            array_map(static fn (array $part): array => [$part['ph'], $part['kind']], (array) $found->json('parts')),
        );
        $found->assertJsonPath('kind', 'amount')->assertJsonPath('lab.ph', 5.9);
        self::assertStringContainsString(
            'pH 7.05, leave',
            implode(' ', (array) $found->json('notes')),
            'the whole of it, pulled as one, would have been left',
        );
        $split = $this->getJson('/api/evidence/1')->assertOk()->json('sampling');
        self::assertSame([4, 4], [$split['pairs_of_composites'], $split['split']['targets']]);
        self::assertGreaterThan(2 * $split['sd_analysis'], $split['sd_measurement'], 'most of it is sampling');
        self::assertSame(0.12, $split['used'], 'what is stated goes before what is smaller');
    }

    public function test_it_is_the_same_each_time_and_leaves_nobody_signed_in(): void
    {
        $this->seed(DemoSeeder::class);
        self::assertSame(0, Plan::query()->count(), 'with nobody signed in nothing is seen');

        self::assertSame($this->fresh(), $this->fresh());
    }

    /** @return array<string, list<string>> what a new database holds once the demo is loaded */
    private function fresh(): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'hc');
        $run = Command::run(['migrate', '--seed', '--force'], '', [
            'DB_DATABASE' => $file,
            'APP_KEY' => (string) config('app.key'),
        ]);
        self::assertSame(0, $run->status, $run->output.$run->error);
        $pdo = new \PDO("sqlite:{$file}");
        $all = [];
        foreach (
            [
                'sites',
                'areas',
                'landmarks',
                'plans',
                'samples',
                'core_pulls',
                'portions',
                'readings',
                'lab_reports',
                'judging_policies',
                'verdicts',
                'method_versions',
                'reagent_lots',
                'bench_runs',
                'bench_tubes',
                'run_marks',
                'calibrations',
                'vision_checks',
                'practice_rounds',
                'transects',
                'ground_events',
                'shelf_products',
                'program_drafts',
                'program_changes',
                'programs',
                'ph_answers',
            ] as $table
        ) {
            $rows = $pdo->query("SELECT * FROM {$table} ORDER BY id");
            self::assertNotFalse($rows);
            $all[$table] = array_values(
                array_map(
                    static fn (array $row): string => (string) json_encode($row),
                    $rows->fetchAll(\PDO::FETCH_ASSOC),
                ),
            );
            self::assertNotSame([], $all[$table], $table);
        }
        unset($pdo, $rows);
        foreach (['', '-wal', '-shm'] as $end) {
            @unlink($file.$end);
        }

        return $all;
    }
}
