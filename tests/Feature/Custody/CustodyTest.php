<?php

declare(strict_types=1);

namespace Tests\Feature\Custody;

use App\Models\CustodyLine;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Portions and their trails. */
final class CustodyTest extends ApiTestCase
{
    private Sample $sample;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-01 18:00:00');
        $this->sample = $this->sample();
    }

    public function test_a_trail_is_followed_from_the_split_to_the_shelf(): void
    {
        $code = $this->code('lab');
        $this->travel(1)->hours();
        $this->step('drying', [$code], ['place' => 'Drying tray 2'])
            ->assertOk()
            ->assertJsonPath('portions.0.state', 'drying');
        $whole = $this->api('GET', '/portions/{portion}', ids: ['portion' => $this->portion('lab')->id])->assertOk();
        self::assertSame(['split', 'drying'], array_column($whole->json('trail'), 'step'));
        self::assertSame('2026-09-02T07:00:00Z', $whole->json('drying.ready_at'));
        self::assertContains('dried', array_column($whole->json('next'), 'code'));
        $this->travel(3)->hours();
        $early = $this->step('dried', [$code]);
        self::assertStringContainsString('It dried 3 h; 12 to 24 h in air is usual', $early->json('said.0'));
        $this->step('packed', [$code]);
        self::assertSame(['packed', 'Drying tray 2'], [$this->portion('lab')->state, $this->portion('lab')->place]);
    }

    public function test_the_same_submission_is_written_once_and_all_codes_or_none(): void
    {
        $submission = Str::uuid()->toString();
        $codes = [$this->code('lab'), strtolower($this->code('bench')), str_replace('-', '', $this->code('lab'))];
        $this->step('drying', $codes, ['submission' => $submission])
            ->assertOk()
            ->assertJsonCount(2, 'portions');
        $this->step('drying', $codes, ['submission' => $submission])->assertOk();
        self::assertSame(4, CustodyLine::query()->count());

        $refused = $this->step('dried', [$this->code('lab'), 'QQ26-99L-Q'])->assertStatus(422);
        self::assertSame([2], array_column($refused->json('rows'), 'row'));
        self::assertSame(4, CustodyLine::query()->count());
    }

    public function test_what_cannot_be_is_refused_in_words(): void
    {
        $code = $this->code('lab');
        $this->step('packed', [$code]);
        self::assertStringContainsString(
            'Scanned twice?',
            $this->step('packed', [$code])
                ->assertStatus(422)
                ->json('rows.0.message'),
        );
        $this->step('lost', [$code]);
        self::assertStringContainsString(
            'is lost since',
            $this->step('arrived', [$code])
                ->assertStatus(422)
                ->json('rows.0.message'),
        );
        foreach (
            [['2026-09-01T18:03:00Z', 'lies in the future'], ['2026-09-01T11:00:00Z', 'lies before the last line']] as [$at, $words]
        ) {
            self::assertStringContainsString(
                $words,
                $this->step('found', [$code], ['at' => $at])
                    ->assertStatus(422)
                    ->json('rows.0.message'),
            );
        }
        foreach (
            [['step' => 'eaten'], ['celsius' => 99], ['at' => 'soon'], ['codes' => []], ['submission' => 'x']] as $bad
        ) {
            $this->step('found', [$code], $bad)
                ->assertStatus(422)
                ->assertJsonValidationErrors((string) array_key_first($bad));
        }
        self::assertSame('lost', $this->portion('lab')->state);
    }

    public function test_a_wrong_check_character_is_answered_with_the_code_that_was_meant(): void
    {
        $code = $this->code('lab');
        $wrong = substr($code, 0, -1).($code[-1] === '0' ? '1' : '0');
        $said = $this->step('drying', [$wrong])
            ->assertStatus(422)
            ->json('rows.0.message');
        self::assertStringContainsString('does not fit its check character', $said);
        self::assertStringContainsString("Probably meant: {$code}", $said);
        self::assertStringContainsString(
            'is a composite, not a portion',
            $this->api('GET', '/portions', query: ['code' => $this->sample->code])->assertStatus(422)->json('message'),
        );
        $this->api('GET', '/portions', query: ['code' => strtolower($code)])->assertOk()->assertJsonPath('code', $code);
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);
        $strange = $this->step('drying', [$wrong])
            ->assertStatus(422)
            ->json('rows.0.message');
        self::assertStringNotContainsString('Probably meant', $strange, 'another team\'s codes are not given away');
    }

    public function test_nothing_in_a_trail_can_be_changed_or_deleted_also_not_by_sql(): void
    {
        foreach (["UPDATE custody_lines SET step = 'lost'", 'DELETE FROM custody_lines'] as $sql) {
            try {
                DB::statement($sql);
                self::fail("{$sql} went through");
            } catch (QueryException $error) {
                self::assertStringContainsString('written once', $error->getMessage());
            }
        }
    }

    public function test_a_mistake_is_corrected_by_a_new_line_that_says_why(): void
    {
        $code = $this->code('lab');
        $this->step('packed', [$code]);
        $this->step('lost', [$code]);
        $line = CustodyLine::query()->where('step', 'lost')->sole()->uuid;
        $this->step('withdrawn', [$code], ['corrects' => $line])
            ->assertStatus(422)
            ->assertJsonValidationErrors('condition');
        $this->step('withdrawn', [$code], ['corrects' => $line, 'condition' => 'it lay under the bench'])
            ->assertOk()
            ->assertJsonPath('portions.0.state', 'packed');
        $trail = $this->api('GET', '/portions/{portion}', ids: ['portion' => $this->portion('lab')->id])->json('trail');
        self::assertSame([true, true, false, false], array_column($trail, 'stands'), 'both lines stay, neither '.
            'counts');
        self::assertStringContainsString(
            'corrected already',
            $this->step('withdrawn', [$code], ['corrects' => $line, 'condition' => 'again'])
                ->assertStatus(422)
                ->json('message'),
        );
    }

    public function test_each_line_has_the_servers_own_place_and_a_clock_set_back_is_said(): void
    {
        $code = $this->code('lab');
        $this->travel(2)->hours();
        $this->step('packed', [$code], ['at' => '2026-09-01T18:30:00Z'])->assertOk();
        $this->step('lost', [$code], ['at' => '2026-09-01T18:40:00Z'])->assertOk();
        $this->travel(-1)->hours();
        $line = CustodyLine::query()->where('step', 'lost')->sole()->uuid;
        $this->step('withdrawn', [$code], ['corrects' => $line, 'condition' => 'it lay under the bench'])->assertOk();
        DB::table('custody_lines')->insert(
            ['id' => 900, 'uuid' => Str::uuid()->toString(), 'step' => 'frozen'] +
                (array) DB::table('custody_lines')->where('uuid', $line)->first(),
        );

        $trail = $this->api('GET', '/portions/{portion}', ids: ['portion' => $this->portion('lab')->id])->json('trail');
        $places = array_column($trail, 'place_in_record');
        self::assertSame([4, null], [count(array_filter($places)), $places[4]], 'what came past the program has none');
        self::assertSame([1, 1], [$places[2] - $places[1], $places[3] - $places[2]]);
        self::assertSame([false, false, false, true, false], array_column($trail, 'clock_set_back'));
    }

    public function test_a_hidden_duplicate_and_a_check_soil_go_under_numbers_of_their_own(): void
    {
        $hidden = $this->split('hidden')->assertCreated();
        $codes = array_column($hidden->json('portions'), 'code', 'kind');
        self::assertMatchesRegularExpression('/^FN26-02L-\w$/', $codes['hidden']);
        $soil = $this->api('POST', '/check-soils', [
            'name' => 'Loess of 2024',
            'known' => ['ph' => ['value' => 6.2, 'uncertainty' => 0.1]],
            'note' => '',
        ])
            ->assertCreated()
            ->json('id');
        $check = $this->api(
            'POST',
            '/sites/{site}/check-portions',
            ['check_soil_id' => $soil, 'volume_ml' => 200, 'tests' => ['ph'], 'at' => '2026-09-01T18:00:00Z'],
            ['site' => $this->sample->site_id],
        )->assertCreated();
        self::assertMatchesRegularExpression('/^FN26-03L-\w$/', $check->json('code'));
        self::assertSame(['dried', null], [$check->json('state'), $check->json('sample_id')]);
        self::assertSame(
            'FN26-04',
            substr($this->sample($this->sample->area)->code, 0, 7),
            'the next composite goes on after them',
        );
        $this->split('archive', dry: true)->assertCreated()->assertJsonPath('portions.3.state', 'dried');
        $this->split('archive')->assertStatus(409);
        $this->split('lab')->assertStatus(422)->assertJsonValidationErrors('kind');
    }

    public function test_results_of_a_hidden_duplicate_are_not_taken_as_those_of_the_composite(): void
    {
        $this->split('hidden');
        $csv = "sample,ph\n{$this->code('hidden')},6.1\n";
        $lab = $this->lab('Marl Laboratory');
        $this->post(
            '/api/reports',
            [
                'file' => UploadedFile::fake()->createWithContent('a.csv', $csv),
                'read_on' => '2026-09-01',
                'lab_id' => $lab->id,
            ],
            ['Accept' => 'application/json'],
        )->assertCreated();
        self::assertSame(
            [1, 0],
            [LabResult::query()->count(), Reading::query()->count()],
            'it is kept, and is no reading of the composite',
        );
    }

    public function test_the_cold_clock_of_nitrate_runs_from_the_pull(): void
    {
        $portion = $this->portion('lab');
        $this->travel(6)->hours();
        $asked = $this->api(
            'PUT',
            '/portions/{portion}',
            ['tests' => ['nitrate'], 'volume_ml' => 200],
            ['portion' => $portion->id],
        )->assertOk();
        self::assertEqualsWithDelta(0.25, $asked->json('clock.used_share'), 1e-3);
        $chilled = $this->step('chilled', [$portion->code], ['celsius' => 3.4, 'place' => 'Fridge 1'])->assertOk();
        // A quarter is used up; three quarters of 48 h are 36 h.
        self::assertSame('2026-09-03T12:00:00Z', $chilled->json('portions.0.deadline_at'));
        $this->step('drying', [$portion->code]);
        $this->travel(13)->hours();
        self::assertStringContainsString(
            'drying changes nitrate',
            $this->step('dried', [$portion->code])->json('said.0'),
        );
    }

    public function test_another_team_sees_and_moves_nothing(): void
    {
        $code = $this->code('lab');
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);
        $this->step('drying', [$code])->assertStatus(422);
        $this->api('GET', '/portions', query: ['code' => $code])->assertStatus(422);
        $id = DB::table('portions')->value('id');
        self::assertIsInt($id);
        $this->api('GET', '/portions/{portion}', ids: ['portion' => $id])->assertNotFound();
        $this->api(
            'POST',
            '/samples/{sample}/portions',
            ['kind' => 'archive', 'volume_ml' => null, 'tests' => [], 'at' => '2026-09-01T18:00:00Z', 'dry' => false],
            ['sample' => $this->sample->id],
        )->assertNotFound();
    }

    private function portion(string $kind): Portion
    {
        return Portion::query()->where('sample_id', $this->sample->id)->where('kind', $kind)->firstOrFail();
    }

    private function code(string $kind): string
    {
        return $this->portion($kind)->code;
    }

    /**
     * @param list<string> $codes
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function step(string $step, array $codes, array $change = []): TestResponse
    {
        return $this->api(
            'POST',
            '/custody-steps',
            $change + [
                'submission' => Str::uuid()->toString(),
                'codes' => $codes,
                'step' => $step,
                'at' => now()->toIso8601ZuluString(),
                'place' => null,
                'condition' => null,
                'celsius' => null,
                'corrects' => null,
            ],
        );
    }

    /** @return TestResponse<Response> */
    private function split(string $kind, bool $dry = false): TestResponse
    {
        return $this->api(
            'POST',
            '/samples/{sample}/portions',
            [
                'kind' => $kind,
                'volume_ml' => 150,
                'tests' => ['ph'],
                'at' => now()->toIso8601ZuluString(),
                'dry' => $dry,
            ],
            ['sample' => $this->sample->id],
        );
    }
}
