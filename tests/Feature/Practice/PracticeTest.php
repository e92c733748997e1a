<?php

declare(strict_types=1);

namespace Tests\Feature\Practice;

use App\Actions\Practice\ReadByKit;
use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\KnownSignIn;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\PracticeClass;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use App\Models\VisionRecord;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Practice\Lesson;
use HonestCore\Statistics\Spread;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** Practice ground: a team of its own, whose truth nobody sees before something is signed. */
final class PracticeTest extends ApiTestCase
{
    /** @return iterable<string, array{string, int, int, int}> areas, composites and readings that a lesson begins with */
    public static function lessons(): iterable
    {
        yield 'two histories' => ['two-histories', 1, 0, 0];
        yield 'three cores' => ['three-cores', 2, 0, 0];
        yield 'tap water' => ['tap-water', 3, 16, 56];
        yield 'against the light' => ['against-light', 3, 16, 56];
        yield 'buffer' => ['buffer-school', 2, 2, 0];
        yield 'a miss' => ['fourteen-and-a-miss', 2, 15, 60];
        yield 'an average' => ['average-of-seven', 2, 2, 6];
        yield 'a new lot' => ['new-lot', 2, 16, 64];
    }

    #[DataProvider('lessons')]
    public function test_a_lesson_begins_alike_for_everybody(string $code, int $areas, int $composites, int $readings): void
    {
        $own = $this->ground(['lesson' => $code]);
        self::assertSame($this->technician->id, Auth::id(), 'whoever begins it stays who they are');
        self::assertSame([0, 0], [Sample::query()->count(), Area::query()->count()], 'and has no more records than before');
        $values = $this->standOn($own);
        self::assertTrue(VisionRecord::query()->sole()->passed, 'what is read by eye counts');
        self::assertSame($areas, Area::query()->count());
        self::assertSame([$composites, $readings], [PracticeSoil::query()->count(), Reading::query()->count()]);

        $this->actingAs($this->reviewer);
        self::assertSame($values, $this->standOn($this->ground(['lesson' => $code])));
    }

    public function test_every_lesson_is_in_the_order_of_the_work_and_says_what_it_needs(): void
    {
        $shown = $this->api('GET', '/practice')->assertOk()->json('lessons');
        self::assertSame(array_column(iterator_to_array(self::lessons()), 0), array_column($shown, 'code'));
        foreach (Lesson::all() as $lesson) {
            self::assertGreaterThan(30, min(array_map(mb_strlen(...), [$lesson->mistake, $lesson->goal, $lesson->hint, $lesson->tool])));
            self::assertNotSame([], $lesson->do);
            self::assertNotContains($lesson->hint, array_merge(...array_map(array_values(...), $shown)), 'the hint is for who asks');
        }
    }

    public function test_ground_is_entered_from_ones_own_account_alone_and_left_again(): void
    {
        Auth::forgetGuards();
        $this->signIn($this->technician);
        $field = $this->ground();
        $this->api('POST', '/practice/grounds/{ground}/enter', ids: ['ground' => $field->id])
            ->assertOk()->assertJsonPath('practice.ground', $field->id)->assertJsonPath('practice.home', $this->technician->name);
        $this->api('GET', '/sites')->assertOk()->assertJsonCount(1)->assertJsonPath('0.name', PracticeField::SITE);
        $this->api('POST', '/practice/grounds', ['lesson' => null, 'level' => 'usual', 'seed' => null])->assertConflict();
        $this->api('POST', '/practice/leave')->assertOk()
            ->assertJsonPath('email', $this->technician->email)->assertJsonPath('practice', null);
        $this->api('GET', '/sites')->assertOk()->assertJsonCount(0);
        $this->api('POST', '/practice/leave')->assertConflict();
        $this->api('GET', '/practice/reveal')->assertConflict();

        $this->api('POST', '/practice/grounds/{ground}/enter', ids: ['ground' => $field->id])->assertOk();
        KnownSignIn::endAllOf($this->technician);
        $this->api('GET', '/sites')->assertUnauthorized();
        $this->signIn($this->reviewer);
        $this->api('POST', '/practice/grounds/{ground}/enter', ids: ['ground' => $field->id])->assertNotFound();
        $this->api('PUT', '/practice/grounds/{ground}', ['named' => true], ['ground' => $field->id])->assertNotFound();
    }

    public function test_the_truth_is_not_told_before_something_is_signed(): void
    {
        $field = $this->ground(['lesson' => 'fourteen-and-a-miss']);
        $this->standOn($field);
        $this->api('GET', '/practice/reveal')->assertConflict()->assertJsonPath('code', 'practice_not_signed');
        $this->sign();
        $told = $this->api('GET', '/practice/reveal')->assertOk();
        self::assertSame(
            [['sort', 'open', 'open', true]],
            array_map(
                static fn (array $one): array => [$one['claim'], $one['verdict'], $one['outcome'], $one['holds']],
                $told->json('verdicts'),
            ),
        );
        self::assertFalse($told->json('lesson.made'));
        self::assertFalse($told->json('lesson.hinted'));
        self::assertSame($told->json('map.columns') * $told->json('map.rows'), count($told->json('map.ph')));
    }

    /** The season is computed again here from its parts, past the action that shows it. */
    public function test_what_is_shown_is_what_lies_in_the_ground(): void
    {
        $field = $this->ground(['lesson' => 'average-of-seven']);
        $this->standOn($field);
        $kit = TestMethod::query()->where('code', 'kit-ph')->sole();
        $this->api('GET', '/practice/reveal')->assertConflict();
        SignedVerdict::query()->create($this->verdict($kit, 'falls'));
        $told = $this->api('GET', '/practice/reveal')->assertOk()->json();

        $soils = PracticeSoil::query()->with('sample')->orderBy('id')->get();
        self::assertSame($soils->pluck('sample.code')->all(), array_column($told['composites'], 'code'));
        foreach ($soils as $i => $soil) {
            self::assertEqualsWithDelta($soil->holds['ph'], $told['composites'][$i]['holds'], 1e-9);
            self::assertEqualsWithDelta($soil->meant['ph'], $told['composites'][$i]['meant'], 1e-9);
            $lab = Reading::query()->where('sample_id', $soil->sample_id)
                ->whereHas('method', static fn ($of) => $of->where('code', 'lab-ph'))->sole();
            self::assertEqualsWithDelta($lab->value, $told['composites'][$i]['lab'], 1e-9);
        }
        [$east, $west] = $told['areas'];
        self::assertSame(['East half', 'West half'], [$east['name'], $west['name']]);
        self::assertGreaterThan(1.5, $east['true'] - $west['true'], 'one half is limy and one is sour');
        self::assertLessThan(0.4, abs($east['believed'] - $east['true']));
        $line = $told['map']['line_m'];
        foreach ($told['map']['cores'] as [$at]) {
            self::assertTrue($at >= 0 && $at <= $told['map']['width_m']);
        }
        self::assertCount(15, array_filter($told['map']['cores'], static fn (array $at): bool => $at[0] < $line), 'those of the west');
        $money = $told['cost'];
        self::assertEqualsWithDelta($money['total'], $money['fees'] + $money['work'] + $money['lime'] + $money['yield'], 1e-6);
        self::assertSame([], $told['dearest'], 'nothing here was chosen badly');
        $verdict = $told['verdicts'][0];
        self::assertSame(['falls', $verdict['holds'] ? 'wrong' : 'right'], [$verdict['verdict'], $verdict['outcome']]);
    }

    public function test_a_test_shows_the_same_again_and_something_else_where_a_step_is_broken(): void
    {
        $field = $this->ground(['lesson' => 'tap-water', 'level' => 'usual']);
        $this->standOn($field);
        $kit = TestMethod::query()->where('code', 'kit-ph')->sole();
        $sample = Sample::query()->whereHas('site', static fn ($site) => $site->where('name', PracticeField::SITE))->firstOrFail();
        $asked = ['sample_id' => $sample->id, 'method_id' => $kit->id, 'reader' => $field->user->name];
        $shown = fn (): string => (string) $this->api('GET', '/practice/shown', query: $asked)->assertOk()->json('words');
        self::assertSame($shown(), $shown());
        $lean = static fn (string $test): float => $field->kit($test)->bias;
        self::assertNotSame($lean('kit-ph'), $lean('pen-ph'), 'another test errs by itself');
        $tubes = array_map(
            static fn (int $tube): float => app(ReadByKit::class)->ph($field, $sample, $kit, 'P-1', 'one', 'run 1', " tube {$tube}", []),
            range(1, 200),
        );
        $repeat = $field->levelOf()->ofTool('kit', 'repeat');
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($tubes) / $repeat, 0.15, 'tubes of one portion differ');
        self::assertMatchesRegularExpression('/^The colour (is that of|lies between) \d\.\d/', $shown());
        $ph = static fn (string ...$breaks): float => $field->kit()->shown(6.0, 'P-1', 'one', 'day', 'a portion', array_values($breaks));
        self::assertEqualsWithDelta(0.35, $ph('tap-water') - $ph(), 1e-9);
        self::assertEqualsWithDelta(-0.45, $ph('against-light') - $ph(), 1e-9);
        self::assertLessThan($ph(), $ph('mixed-short'));

        $lab = TestMethod::query()->where('code', 'lab-ph')->sole();
        $this->api('GET', '/practice/shown', query: ['method_id' => $lab->id] + $asked)
            ->assertConflict()->assertJsonPath('code', 'practice_no_instrument');
        $this->api('GET', '/practice/shown', query: ['sample_id' => 99999] + $asked)->assertNotFound();
        $this->actingAs($this->technician);
        $this->api('GET', '/practice/shown', query: $asked)->assertNotFound();
    }

    public function test_what_a_card_said_is_believed_and_a_site_that_is_moved_moves_no_ground(): void
    {
        $field = $this->ground(['lesson' => 'tap-water']);
        $this->standOn($field);
        $site = Site::query()->where('name', PracticeField::SITE)->sole();
        $sample = Sample::query()->where('site_id', $site->id)->orderBy('id')->firstOrFail();
        $kit = TestMethod::query()->where('code', 'kit-ph')->sole();
        $this->json('POST', "/api/samples/{$sample->id}/readings", [
            'method_id' => $kit->id, 'reading' => '6.5', 'read_on' => now()->format('Y-m-d'), 'reader' => 'Maren', 'flags' => [],
            'note' => '',
        ])->assertCreated();
        $this->sign();
        $told = $this->api('GET', '/practice/reveal')->assertOk()->json();
        $site->update(['name' => 'Home farm', 'latitude' => 44.5]);
        self::assertSame($told, $this->api('GET', '/practice/reveal')->assertOk()->json());
        self::assertSame([6.5, null], [$told['composites'][0]['kit'], $told['composites'][0]['lab']]);
        $areas = array_column($told['areas'], null, 'name');
        self::assertSame([6.5, 'bench'], [$areas['West half']['believed'], $areas['West half']['by']]);
        self::assertSame([null, null], [$areas['East half']['believed'], $areas['East half']['by']]);
        self::assertContains('by_lab', array_column($told['dearest'], 'choice'), 'the kit alone decided');
    }

    public function test_the_hint_is_for_who_asks_and_that_is_noted(): void
    {
        $field = $this->ground(['lesson' => 'new-lot']);
        $this->standOn($field);
        $this->api('GET', '/session')->assertJsonPath('practice.lesson.hint', null);
        $hint = Lesson::named('new-lot')->hint;
        $this->api('POST', '/practice/hint')->assertOk()->assertJsonPath('hint', $hint);
        $this->api('GET', '/session')->assertJsonPath('practice.lesson.hint', $hint);
        $this->sign();
        $this->api('GET', '/practice/reveal')->assertJsonPath('lesson.hinted', true);
    }

    public function test_nothing_of_it_gets_out_unmarked(): void
    {
        $field = $this->ground(['lesson' => 'average-of-seven']);
        $this->standOn($field);
        foreach (['ledger.csv', 'campaign.ics'] as $path) {
            $named = (string) $this->get("/api/{$path}")->assertOk()->headers->get('Content-Disposition');
            self::assertMatchesRegularExpression('/filename="?practice-/', $named, $path);
        }
        $this->json('POST', '/api/calendar-addresses', ['name' => 'mine'])->assertConflict()->assertJsonPath('code', 'practice_stays');
        $this->json('POST', '/api/archive')->assertForbidden();
        $this->json('POST', '/api/account/tokens', [])->assertStatus(422);
        self::assertNull($field->user->administers);
    }

    /** Twice as much of everything is asked for by as many queries. */
    public function test_the_number_of_grounds_sets_no_number_of_queries(): void
    {
        $asked = function (): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->api('GET', '/practice')->assertOk();
            DB::disableQueryLog();

            return count(DB::getQueryLog());
        };
        $this->api('POST', '/practice/classes', ['name' => 'Winter course', 'lesson' => null, 'level' => 'usual', 'seed' => 3]);
        $this->ground();
        $few = $asked();
        $this->ground(['seed' => 41]);
        $this->api('POST', '/practice/classes', ['name' => 'Spring course', 'lesson' => null, 'level' => 'usual', 'seed' => 3]);
        self::assertSame($few, $asked());
    }

    public function test_what_is_spread_has_acted_by_the_next_pull(): void
    {
        $field = $this->ground(['lesson' => 'average-of-seven']);
        $this->standOn($field);
        $west = Area::query()->where('name', 'West half')->sole();
        $before = PracticeSoil::query()->whereHas('sample', static fn ($of) => $of->where('area_id', $west->id))->sole();
        $ground = $field->ground();
        $tons = $ground->limeNeeded($before->meant['ph'], 6.5) / LimeMaterial::reference()->effectiveness();
        GroundEvent::query()->create([
            'area_id' => $west->id, 'created_by' => Auth::id(), 'kind' => 'application', 'on' => now()->subMonths(8)->format('Y-m-d'),
            'what' => 'limestone', 'amount' => 2000 * $tons, 'unit' => 'lb/acre', 'lb_per_acre' => 2000 * $tons,
            'brings' => ['lime' => 2000 * $tons],
        ]);
        $spec = Plan::query()->where('area_id', $west->id)->sole()->spec->toRow();
        $plan = $this->json('POST', "/api/areas/{$west->id}/plans", $spec)->assertCreated()->json('id');
        $this->json('POST', "/api/plans/{$plan}/samples", [
            'composite' => 1, 'pulled_on' => now()->format('Y-m-d'), 'pulled_by' => 'whoever', 'cores' => array_map(
                static fn (int $sequence): array => ['sequence' => $sequence, 'outcome' => 'pulled', 'reason' => null],
                range(1, 15),
            ),
            'note' => '', 'submission' => 'b3a1f0c2-4d5e-4f60-8a7b-9c0d1e2f3a4b',
        ])->assertCreated();
        $after = PracticeSoil::query()->orderByDesc('id')->firstOrFail();
        self::assertSame($before->places, $after->places, 'the same places');
        self::assertEqualsWithDelta(6.5, $after->meant['ph'], 1e-9);
    }

    public function test_what_lies_in_a_composite_is_written_once(): void
    {
        $this->standOn($this->ground(['lesson' => 'average-of-seven']));
        $this->expectExceptionMessage('written once');
        DB::table('practice_soils')->update(['short' => 0]);
    }

    public function test_a_class_has_one_ground_and_shows_no_names_unasked(): void
    {
        $asked = ['name' => 'Winter course', 'lesson' => 'new-lot', 'level' => 'usual', 'seed' => null];
        $this->api('POST', '/practice/classes', array_diff_key($asked, ['name' => 0]))->assertStatus(422);
        $class = $this->api('POST', '/practice/classes', $asked)->assertCreated()->json();
        $this->actingAs($this->reviewer);
        $this->api('GET', '/practice/classes/{class}', ids: ['class' => $class['id']])->assertNotFound();
        $this->api('POST', '/practice/classes/join', ['code' => 'NO-SUCH'])->assertStatus(422);
        $own = $this->api('POST', '/practice/classes/join', ['code' => strtolower($class['code'])])->assertCreated()->json('id');
        $this->api('POST', '/practice/classes/join', ['code' => $class['code']])->assertOk()->assertJsonPath('id', $own);
        [$stranger] = $this->team('Heath crew', 'heath');
        $this->actingAs($stranger);
        $theirs = $this->api('POST', '/practice/classes/join', ['code' => $class['code']])->assertCreated()->json('id');
        self::assertSame(1, PracticeField::query()->distinct()->count('seed'));

        $this->standOn(PracticeField::query()->whereKey($theirs)->sole());
        $this->sign();
        $see = fn (User $who): array => (array) $this->actingAs($who)
            ->api('GET', '/practice/classes/{class}', ids: ['class' => $class['id']])->assertOk()->json('results');
        $lines = $see($this->technician);
        self::assertSame([null, null], array_column($lines, 'name'));
        self::assertSame([false, true], array_column($lines, 'signed'));
        self::assertSame('open', $lines[1]['season']['verdicts'][0]['verdict'], 'who leads it sees it');
        self::assertNull($see($this->reviewer)[1]['season'], 'who has not signed does not');
        self::assertSame($stranger->name, $see($stranger)[1]['name']);
        $this->actingAs($stranger)->api('PUT', '/practice/grounds/{ground}', ['named' => true], ['ground' => $theirs])->assertOk();
        self::assertSame([null, $stranger->name], array_column($see($this->technician), 'name'));
        self::assertSame(2, PracticeClass::query()->whereKey($class['id'])->sole()->fields()->count());
    }

    public function test_the_practice_lab_reports_at_once_in_a_file_and_alike_whenever_it_is_asked(): void
    {
        $field = $this->ground(['lesson' => 'buffer-school']);
        $this->standOn($field);
        $portions = Portion::query()->where('kind', 'lab')->orderBy('id')->get();
        $labs = $this->json('GET', '/api/labs')->json('labs');
        $sent = $this->json('POST', '/api/consignments', [
            'lab_id' => $labs[0]['id'],
            'submission' => 'b3a1f0c2-4d5e-4f60-8a7b-9c0d1e2f3a4b',
            'answers' => [],
            'portions' => $portions->map(static fn ($one): array => ['code' => $one->code, 'tests' => ['ph', 'smp', 'lead']])->all(),
        ])->assertCreated()->json('id');
        $this->json('POST', "/api/consignments/{$sent}/send", ['carrier' => null, 'at' => now()->toIso8601ZuluString()])->assertOk();
        $asked = $this->json('POST', "/api/consignments/{$sent}/ask")->assertOk()->json();
        self::assertSame('reported', $asked['state']);
        $file = $this->get("/api/consignments/{$sent}/reports/{$asked['reports'][0]['id']}");
        $text = $file->assertOk()->getContent();
        self::assertStringContainsString('every figure is made up', (string) $text);
        $heads = "sample,pH (1:1 water),Buffer pH,\"Lead, total (ppm)\"\r\n";
        self::assertStringContainsString($heads, (string) $text, 'whose buffer is not said in its column');
        self::assertStringContainsString('(SMP)', (string) $text, 'but at the head of the file');
        self::assertCount(1, $this->json('POST', "/api/consignments/{$sent}/ask")->json('reports'), 'and the same when it is asked again');
        $rows = array_map(str_getcsv(...), array_slice(explode("\r\n", trim((string) $text)), 3));
        foreach ($portions as $i => $portion) {
            self::assertSame($portion->code, $rows[$i][0]);
            $holds = PracticeSoil::ofSample((int) $portion->sample_id)->holds ?? [];
            self::assertEqualsWithDelta($holds['ph'] ?? 0, (float) $rows[$i][1], 0.5);
            self::assertEqualsWithDelta(1.0, (float) $rows[$i][3] / ($holds['pb'] ?? 0), 0.2);
        }
    }

    /** @param array<string, mixed> $asked */
    private function ground(array $asked = []): PracticeField
    {
        $made = $this->api('POST', '/practice/grounds', $asked + ['lesson' => null, 'level' => 'usual', 'seed' => 40])->assertCreated();

        return PracticeField::query()->with('user')->whereKey($made->json('id'))->sole();
    }

    /** @return list<string> what was read and measured there so far */
    private function standOn(PracticeField $field): array
    {
        $this->actingAs($field->load('user.team.practice.home')->user);
        self::assertSame(PracticeField::SITE, Site::query()->orderBy('name')->firstOrFail()->name);

        return array_values(Reading::query()->orderBy('id')->pluck('as_reported')->map(strval(...))->all());
    }

    private function sign(): void
    {
        $kit = TestMethod::query()->where('code', 'kit-ph')->sole();
        $hash = $this->json('GET', "/api/evidence/{$kit->id}")->assertOk()->json('hash');
        $this->json('POST', "/api/evidence/{$kit->id}/verdicts", [
            'claim' => 'sort', 'hash' => $hash, 'follows_id' => null, 'scope' => 'this kit with this lot', 'note' => '',
            'password' => 'peat',
        ])->assertCreated();
    }

    /** @return array<string, mixed> a verdict as it is stored, for a test that was not judged */
    private function verdict(TestMethod $kit, string $verdict): array
    {
        return [
            'method_id' => $kit->id,
            'reference_id' => TestMethod::query()->where('code', 'lab-ph')->sole()->id,
            'policy_id' => DB::table('judging_policies')->where('team_id', $kit->team_id)->where('analyte', 'ph')->value('id'),
            'signed_by' => Auth::id(),
            'claim' => 'rate',
            'verdict' => $verdict,
            'scope' => ['text' => 'this kit', 'lot' => 'P-1', 'lots' => [], 'seasons' => []],
            'evidence' => [],
            'evidence_hash' => 'none',
            'note' => '',
            'season' => 2026,
            'snapshot' => null,
        ];
    }

    private function signIn(User $who): void
    {
        $this->app->make('auth')->forgetGuards();
        $this->json('POST', '/api/session', ['email' => $who->email, 'password' => 'peat'])->assertOk();
    }
}
