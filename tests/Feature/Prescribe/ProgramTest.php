<?php

declare(strict_types=1);

namespace Tests\Feature\Prescribe;

use App\Models\Area;
use App\Models\ProgramShare;
use App\Models\SignedProgram;
use App\Models\Site;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** A program from draft to signature, and what follows from it. */
final class ProgramTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-11-28 15:00:00');
    }

    public function test_an_area_has_a_program_by_what_is_usual_until_somebody_chooses(): void
    {
        $area = $this->ground();
        $it = $this->program($area);
        self::assertSame(['corn', 2027, 0, null], [$it['choices']['crop'], $it['season'], $it['version'], $it['follows_id']]);
        self::assertSame(['stop', 'ph', 'pk', 'other', 'nitrogen'], array_column($it['parts'][0]['steps'], 'code'));
        // (20 - 15) ppm at 20 lb over 4 years, and 0.35 lb for each of 160 bushels.
        self::assertEqualsWithDelta(81.0, $this->line($it, 'p2o5')['lb_per_acre'], 1e-9);
        self::assertSame('lab', $this->line($it, 'p2o5')['claim']);
        self::assertGreaterThan(0, $this->line($it, 'lime')['lb_per_acre']);
        self::assertNotSame([], $it['parts'][0]['amounts']);
        self::assertNotSame([], $it['parts'][0]['days']);
        self::assertSame(9, count($it['tables']));
        self::assertNotSame([], $it['parts'][0]['readings']);
    }

    public function test_a_draft_is_changed_with_reasons_and_one_that_moved_is_not_overwritten(): void
    {
        $area = $this->ground();
        $it = $this->program($area);
        $choices = ['yield' => 120.0] + $it['choices'];
        $this->keep($area, $choices, 0, '')->assertStatus(422);
        $kept = $this->keep($area, $choices, 0, 'A poor field by the record of the last years.')->assertOk()->json();
        self::assertSame([1, 'yield: 160 to 120'], [$kept['version'], $kept['changes'][0]['what']]);
        self::assertEqualsWithDelta(25 + 42.0, $this->line($kept, 'p2o5')['lb_per_acre'], 1e-9);
        $this->keep($area, ['yield' => 90.0] + $choices, 0, 'Somebody else thought so.')->assertStatus(409);
        self::assertEquals(120.0, $this->program($area)['choices']['yield']);
        $this->keep($area, ['yield' => 90.0] + $choices, 1, 'The new record says so.')->assertOk()->assertJsonPath('version', 2);
        foreach ([['crop' => 'hops'], ['plant_on' => '2027-02-30'], ['yield' => -5], ['mixed_in' => 40], ['gold' => 1]] as $odd) {
            $this->keep($area, $odd + $choices, 2, 'Odd things are not kept.')->assertStatus(422);
        }
        self::assertSame(2, $this->program($area)['version']);
    }

    public function test_an_override_needs_a_reason_and_prints(): void
    {
        $area = $this->ground();
        $choices = $this->program($area)['choices'];
        $row = ['part' => 0, 'key' => 'n', 'lb_per_acre' => 60, 'reason' => ''];
        $this->try($area, ['overrides' => [$row]] + $choices)->assertStatus(422);
        $it = $this->try($area, ['overrides' => [['reason' => 'Clover was ploughed under.'] + $row]] + $choices)->assertOk()->json();
        self::assertEquals(
            [60.0, 150.0, 'Clover was ploughed under.'],
            [$this->line($it, 'n')['lb_per_acre'], $this->line($it, 'n')['override']['was'], $this->line($it, 'n')['override']['reason']],
        );
    }

    public function test_a_reviewer_signs_what_was_seen_once_and_a_newer_one_follows(): void
    {
        $area = $this->ground();
        $it = $this->program($area);
        $this->sign($area, $it)->assertStatus(403);
        $this->actingAs($this->reviewer);
        $this->sign($area, $it, password: 'loam')->assertStatus(422);
        $this->sign($area, ['hash' => str_repeat('0', 64)] + $it)->assertStatus(409);
        $signed = $this->sign($area, $it)->assertCreated()->json();
        self::assertSame($it['hash'], $signed['hash']);
        self::assertSame($it['parts'][0]['readings'], $signed['body']['parts'][0]['readings']);
        $this->sign($area, $it)->assertStatus(409);

        // A newer one follows; the signed one stays as it was.
        $again = $this->program($area);
        self::assertSame([$signed['id'], true], [$again['follows_id'], $again['follows_same']]);
        $other = $this->try($area, ['yield' => 100.0] + $again['choices'])->json();
        $newer = $this->sign($area, $other)->assertCreated()->json();
        self::assertSame($signed['id'], $newer['follows_id']);
        $lines = $this->api('GET', '/areas/{area}/programs', ids: ['area' => $area->id])->assertOk()->json();
        self::assertSame([[$newer['id'], null], [$signed['id'], $newer['id']]], array_map(
            static fn (array $one): array => [$one['id'], $one['followed_by']],
            $lines,
        ));
        $kept = $this->api('GET', '/programs/{program}', ids: ['program' => $signed['id']])->assertOk()->json();
        self::assertSame($signed['body'], $kept['body']);
        $links = DB::table('record_links')->where('table', 'programs')->count();
        self::assertSame(2, $links, 'each has its link in the chain');
        $this->expectExceptionMessage('programs are written once');
        DB::table('programs')->where('id', $signed['id'])->update(['note' => 'changed']);
    }

    public function test_what_moves_after_it_was_seen_is_not_signed(): void
    {
        $area = $this->ground();
        $it = $this->program($area);
        $this->actingAs($this->reviewer);
        $this->read($this->sample($area, '2026-11-20'), 'lab-p', '44', on: '2026-11-27');
        $this->sign($area, $it)->assertStatus(409)->assertJsonPath('code', 'program_moved');
        self::assertSame(0, SignedProgram::query()->count());
    }

    public function test_an_own_mix_that_brings_what_may_not_be_brought_needs_a_reason(): void
    {
        $area = $this->ground(p: '64');
        $choices = $this->program($area)['choices'];
        $mix = ['mix' => [['part' => 0, 'product' => 'dap', 'lb_per_acre' => 100.0]]];
        $it = $this->try($area, $mix + $choices)->assertOk()->json();
        self::assertSame(['p2o5'], $it['parts'][0]['mix']['unwanted']);
        $this->actingAs($this->reviewer);
        $this->sign($area, $it)->assertStatus(409)->assertJsonPath('code', 'program_unwanted');
        $with = $this->try($area, ['mix_reason' => 'Starter beside the seed, by the trial of 2025.'] + $mix + $choices)->json();
        $this->sign($area, $with)->assertCreated();
    }

    public function test_the_page_of_the_grower_holds_one_area_writes_nothing_and_ends(): void
    {
        $site = $this->site();
        $area = $this->ground($site);
        $this->area($site, 'lawn', 'Heron lawn');
        $this->actingAs($this->reviewer);
        $id = $this->sign($area, $this->program($area))->assertCreated()->json('id');
        $this->api('POST', '/programs/{program}/shares', ['days' => 0], ['program' => $id])->assertStatus(422);
        $share = $this->api('POST', '/programs/{program}/shares', ['days' => 30], ['program' => $id])->assertCreated()->json();
        self::assertGreaterThan(50, strlen($share['address']));
        $shares = $this->api('GET', '/programs/{program}', ids: ['program' => $id])->json('shares');
        self::assertArrayNotHasKey('address', $shares[0]);

        $this->app->get('auth')->forgetGuards();
        $before = $this->everything();
        for ($i = 0; $i < 10; $i++) {
            $page = $this->get($share['address'])->assertOk();
        }
        self::assertSame($before, $this->everything());
        self::assertSame([], $page->headers->getCookies());
        $html = (string) $page->getContent();
        foreach (['Sedge meadow', 'Where the sample comes from', 'What was found', 'What to do', 'What is not known', 'label'] as $word) {
            self::assertStringContainsString($word, $html);
        }
        self::assertStringNotContainsString('Heron', $html);
        self::assertStringNotContainsString('<script', $html);

        $this->travel(31)->days();
        $this->get($share['address'])->assertNotFound()->assertSee('There is nothing at this address any more');
        $this->get('/grower/'.str_repeat('x', 43))->assertNotFound();
    }

    public function test_an_address_can_be_withdrawn_by_its_team_alone(): void
    {
        $area = $this->ground();
        $this->actingAs($this->reviewer);
        $id = $this->sign($area, $this->program($area))->json('id');
        $share = $this->api('POST', '/programs/{program}/shares', ['days' => 30], ['program' => $id])->json();
        [$stranger] = $this->team('Carr crew', 'carr');
        $this->actingAs($stranger);
        $this->api('POST', '/shares/{share}/withdraw', ids: ['share' => $share['id']])->assertNotFound();
        $this->api('GET', '/programs/{program}', ids: ['program' => $id])->assertNotFound();
        $this->api('GET', '/programs/{program}/spread-list/{format}', ids: ['program' => $id, 'format' => 0])->assertNotFound();
        $this->actingAs($this->technician);
        $this->api('POST', '/shares/{share}/withdraw', ids: ['share' => $share['id']])->assertOk()->assertJsonPath('open', false);
        $this->api('POST', '/shares/{share}/withdraw', ids: ['share' => $share['id']])->assertStatus(409);
        $this->get($share['address'])->assertNotFound();
        self::assertNotNull(ProgramShare::query()->firstOrFail()->withdrawn_at);
    }

    public function test_spread_list_days_and_shopping_come_from_what_was_signed(): void
    {
        $site = $this->site();
        $area = $this->ground($site);
        $empty = $this->api('GET', '/sites/{site}/shopping-list', ids: ['site' => $site->id])->assertOk()->json();
        self::assertSame([0, []], [$empty['signed'], $empty['lines']]);
        $drafts = $this->api('GET', '/sites/{site}/shopping-list', ids: ['site' => $site->id], query: ['drafts' => 1])->json('lines');
        $this->actingAs($this->reviewer);
        $signed = $this->sign($area, $this->program($area))->json();
        $list = $this->api('GET', '/sites/{site}/shopping-list', ids: ['site' => $site->id])->json();
        self::assertEquals($drafts, $list['lines']);
        self::assertNull($list['cost']);
        foreach ($signed['body']['parts'][0]['amounts'] as $amount) {
            $of = array_column($list['lines'], 'lb', 'product');
            self::assertEqualsWithDelta($amount['lb'], $of[$amount['product']], 1e-6);
        }
        $csv = $this->get("/api/programs/{$signed['id']}/spread-list/csv")->assertOk()->getContent();
        self::assertStringStartsWith('area,part,label,acres,product', (string) $csv);
        $geo = json_decode((string) $this->get("/api/programs/{$signed['id']}/spread-list/geojson")->getContent(), true);
        self::assertSame('FeatureCollection', $geo['type']);
        self::assertStringContainsString('<kml', (string) $this->get("/api/programs/{$signed['id']}/spread-list/kml")->getContent());
        $this->get("/api/programs/{$signed['id']}/spread-list/shp")->assertNotFound();
        $ics = (string) $this->get("/api/programs/{$signed['id']}/days.ics")->assertOk()->getContent();
        self::assertSame(count($signed['body']['parts'][0]['days']), substr_count($ics, 'BEGIN:VEVENT'));
    }

    public function test_three_crops_side_by_side_say_where_they_pull_apart(): void
    {
        $area = $this->ground();
        $it = $this->api('GET', '/areas/{area}/program/crops', ids: ['area' => $area->id], query: ['crops' => 'corn,blueberry,lawn'])
            ->assertOk()
            ->json();
        self::assertCount(3, $it['programs']);
        self::assertStringContainsString('no one dressing serves both', implode(' ', $it['apart']));
        foreach (['', 'corn,lawn,potato,oats', 'hops'] as $odd) {
            $this->api('GET', '/areas/{area}/program/crops', ids: ['area' => $area->id], query: ['crops' => $odd])->assertStatus(422);
        }
    }

    public function test_answers_to_a_high_ph_stay_on_the_area_and_decide_about_sulphur(): void
    {
        $area = $this->area(use: 'blueberry');
        $area->update(['facts' => ['textures' => ['loam']] + $area->facts]);
        $this->read($this->sample($area), 'lab-ph', '6.80');
        self::assertSame('ask', $this->line($this->program($area), 'sulphur')['kind']);
        foreach (['drainage', 'salts', 'irrigation_water', 'lost_topsoil', 'lime_of_late', 'carbonate'] as $question) {
            $it = $this->answer($area, $question, 'no')->assertCreated()->json();
        }
        self::assertSame('amount', $this->line($it, 'sulphur')['kind']);
        $it = $this->answer($area, 'carbonate', 'yes')->json();
        self::assertSame('stop', $this->line($it, 'sulphur')['kind']);
        self::assertSame('stop', $this->line($this->program($area), 'sulphur')['kind']);
        $this->answer($area, 'moon', 'yes')->assertStatus(422);
        $this->answer($area, 'salts', 'perhaps')->assertStatus(422);
    }

    public function test_without_any_result_nothing_is_signed_and_the_next_test_is_named(): void
    {
        $area = $this->area(use: 'corn');
        $it = $this->program($area);
        self::assertSame('unknown', $this->line($it, 'lime')['kind']);
        self::assertStringContainsString('Pull a composite', $this->line($it, 'lime')['changes']);
        $this->actingAs($this->reviewer);
        $this->sign($area, $it)->assertStatus(409)->assertJsonPath('code', 'program_empty');
    }

    public function test_programs_of_a_site_and_the_schools_it_begins_with(): void
    {
        $site = $this->site();
        $area = $this->ground($site);
        $list = $this->api('GET', '/sites/{site}/programs', ids: ['site' => $site->id])->assertOk()->json();
        self::assertSame([['Sedge meadow', 'none']], array_map(static fn (array $one): array => [$one['area'], $one['state']], $list));
        $this->api('PUT', '/sites/{site}/program-schools', ['nutrient_school' => 'luck', 'lime_school' => ''], ['site' => $site->id])
            ->assertStatus(422);
        $chosen = ['nutrient_school' => 'sufficiency', 'lime_school' => 'smp'];
        $this->api('PUT', '/sites/{site}/program-schools', $chosen, ['site' => $site->id])
            ->assertOk()
            ->assertJsonPath('nutrient_school', 'sufficiency');
        $it = $this->program(Area::query()->findOrFail($area->id));
        // 80 lb at test zero, down to none at 20 ppm.
        self::assertEqualsWithDelta(80 * (1 - 15 / 20), $this->line($it, 'p2o5')['lb_per_acre'], 1e-9);
        $this->keep($area, $it['choices'], 0, 'To begin with.')->assertOk();
        $this->api('GET', '/sites/{site}/programs', ids: ['site' => $site->id])->assertJsonPath('0.state', 'drafted');
    }

    public function test_more_areas_in_parts_ask_no_more_queries(): void
    {
        $site = $this->site();
        $paths = ['/sites/{site}/programs' => [], '/recommendations' => ['site_id' => $site->id], '/follow-up' => ['site_id' => $site->id]];
        $asked = [];
        foreach ([2, 5] as $areas) {
            foreach (range(Area::query()->count() + 1, $areas) as $number) {
                $this->cells($this->area($site, 'corn', "Sedge {$number}"), ['5.60', '6.90', '6.20'], '6.40');
            }
            foreach ($paths as $path => $query) {
                $this->computeAhead();
                DB::flushQueryLog();
                DB::enableQueryLog();
                $found = $this->api('GET', $path, ids: ['site' => $site->id], query: $query)->assertOk();
                self::assertCount($areas, (array) ($found->json('rows') ?? $found->json()));
                $asked[$path][] = count(DB::getQueryLog());
            }
        }
        foreach ($asked as $path => [$few, $many]) {
            self::assertSame($few, $many, $path);
        }
    }

    /**
     * @param array<string, mixed> $program
     * @return array<string, mixed>
     */
    private function line(array $program, string $key): array
    {
        foreach ($program['parts'][0]['steps'] as $step) {
            foreach ($step['lines'] as $line) {
                if ($line['key'] === $key) {
                    return $line;
                }
            }
        }
        self::fail("There is no line {$key}.");
    }

    /** @return array<string, mixed> */
    private function program(Area $area): array
    {
        return $this->api('GET', '/areas/{area}/program', ids: ['area' => $area->id])->assertOk()->json();
    }

    /**
     * @param array<string, mixed> $choices
     * @return TestResponse<Response>
     */
    private function keep(Area $area, array $choices, int $version, string $reason): TestResponse
    {
        return $this->api(
            'PUT',
            '/areas/{area}/program',
            ['choices' => $choices, 'version' => $version, 'reason' => $reason],
            ['area' => $area->id],
        );
    }

    /**
     * @param array<string, mixed> $choices
     * @return TestResponse<Response>
     */
    private function try(Area $area, array $choices): TestResponse
    {
        return $this->api('POST', '/areas/{area}/program/try', ['choices' => $choices], ['area' => $area->id]);
    }

    /** @return TestResponse<Response> */
    private function answer(Area $area, string $question, string $answer): TestResponse
    {
        return $this->api(
            'POST',
            '/areas/{area}/ph-answers',
            ['question' => $question, 'answer' => $answer, 'note' => ''],
            ['area' => $area->id],
        );
    }

    /**
     * @param array<string, mixed> $it
     * @return TestResponse<Response>
     */
    private function sign(Area $area, array $it, string $password = 'peat'): TestResponse
    {
        return $this->api(
            'POST',
            '/areas/{area}/program/sign',
            [
                'choices' => $it['choices'],
                'hash' => $it['hash'],
                'follows_id' => $it['follows_id'],
                'note' => 'For the spring.',
                'password' => $password,
            ],
            ['area' => $area->id],
        );
    }

    /** Ground for corn, sour, with phosphorus and potassium by a lab. */
    private function ground(?Site $site = null, string $p = '15'): Area
    {
        foreach (['p' => 'mehlich-3', 'k' => 'mehlich-3', 'cec' => ''] as $analyte => $extractant) {
            TestMethod::query()->firstOrCreate(['code' => "lab-{$analyte}"], [
                'name' => "Marl {$analyte}",
                'analyte' => $analyte,
                'workplace' => 'lab',
                'extractant' => $extractant,
                'school' => null,
                'bands' => null,
                'uncertainty' => $analyte === 'cec' ? null : 0.08,
                'lot' => '',
            ]);
        }
        $area = $this->area($site, 'corn');
        $sample = $this->sample($area);
        foreach (['lab-ph' => '5.60', 'lab-buffer' => '6.10', 'lab-p' => $p, 'lab-k' => '90', 'lab-cec' => '8'] as $code => $value) {
            $this->read($sample, $this->codeOf($code), $value);
        }

        return $area;
    }

    private function codeOf(string $code): string
    {
        return $code === 'lab-buffer'
            ? TestMethod::query()->where('analyte', 'buffer_ph')->where('school', 'mehlich')->valueOrFail('code')
            : $code;
    }

    /** @return array<string, int> rows of every table */
    private function everything(): array
    {
        $counts = [];
        foreach (DB::select("SELECT name FROM sqlite_master WHERE type = 'table'") as $table) {
            $counts[$table->name] = DB::table($table->name)->count();
        }

        return $counts;
    }
}
