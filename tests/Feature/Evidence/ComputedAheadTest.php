<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Actions\Evidence\ComputeAhead;
use App\Actions\Evidence\SamplingSplit;
use App\Actions\Evidence\Stirred;
use App\Database\Turn;
use App\Models\Area;
use App\Models\EvidenceSummary;
use App\Models\KeptSampling;
use App\Models\TestMethod;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** What a write touches is noted by the database, and computed again once nobody waits for it. */
final class ComputedAheadTest extends ApiTestCase
{
    public function test_an_answer_goes_out_before_what_it_touched_is_computed_and_lists_compute_nothing(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->computeAhead();
        $line = fn (): array => array_column((array) $this->json('GET', '/api/evidence')->assertOk()->json('rows'), null, 'method_id')[
            $this->method('kit-ph')->id
        ];
        self::assertSame([15, false], [$line()['pairs'], $line()['computing']]);

        $this->pair($area, '6.5', '6.52');
        DB::enableQueryLog();
        $before = $line();
        $asked = array_column(DB::getQueryLog(), 'query');
        self::assertSame([15, true], [$before['pairs'], $before['computing']], 'of before, and said so');
        $computed = array_search('delete from "stirred" where "team_id" = ? and "method_id" = ? and "times" = ?', $asked, true);
        self::assertIsInt($computed, 'after the answer it was computed');
        self::assertSame([16, false], [$line()['pairs'], $line()['computing']]);
    }

    public function test_a_request_that_writes_is_followed_by_what_it_touched(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $sample = $this->sample($area);
        $this->read($sample, 'kit-ph', '6.5');
        $this->computeAhead();
        $body = ['method_id' => $this->method('lab-ph')->id, 'reading' => '6.50', 'read_on' => '2026-09-03', 'flags' => [], 'note' => ''];
        $this->json('POST', "/api/samples/{$sample->id}/readings", $body + ['reader' => 'Marl Laboratory'])->assertCreated();

        self::assertTrue(Stirred::of($this->technician->team_id)->isNothing());
        $kit = EvidenceSummary::query()->where('method_id', $this->method('kit-ph')->id)->sole();
        self::assertSame(16, $kit->summary['pairs']);
    }

    public function test_the_length_of_an_answer_is_said(): void
    {
        $answer = $this->json('GET', '/api/evidence');
        self::assertSame((string) strlen((string) $answer->getContent()), $answer->headers->get('Content-Length'));
        $pressed = $this->withHeader('Accept-Encoding', 'gzip, br')->json('GET', '/api/choices')->assertOk();
        self::assertSame('gzip', $pressed->headers->get('Content-Encoding'));
        self::assertJson((string) gzdecode((string) $pressed->getContent()));
    }

    public function test_what_another_use_of_one_area_touches_is_its_tests_alone(): void
    {
        $site = $this->site();
        [$one, $other] = [$this->area($site, name: 'North bed'), $this->area($site, name: 'South bed')];
        $this->pair($one, '6.5', '6.5');
        $pen = TestMethod::query()->create([
            ...$this->method('kit-ph')->only(['analyte', 'workplace', 'bands', 'extractant']),
            'code' => 'kit-2', 'name' => 'Chalk capsule kit', 'lot' => '', 'links' => [], 'instrument' => '',
        ]);
        $sample = $this->sample($other);
        $this->read($sample, 'lab-ph', '6.40');
        $this->read($sample, $pen->code, '6.5');
        $this->computeAhead();
        $written = static fn (): array => EvidenceSummary::query()->pluck('updated_at', 'method_id')->map(strval(...))->all();
        $before = $written();
        Carbon::setTestNow(now()->addHour());
        Area::query()->whereKey($one->id)->update(['use' => 'blueberry']);
        self::assertFalse(Stirred::of($this->technician->team_id)->isNothing());
        $this->computeAhead();

        $kit = $this->method('kit-ph')->id;
        self::assertNotSame($before[$kit], $written()[$kit]);
        self::assertSame($before[$pen->id], $written()[$pen->id]);
    }

    public function test_another_database_of_the_same_installation_is_not_waited_for(): void
    {
        $this->pair($this->area(), '6.5', '6.52');
        $team = $this->technician->team_id;
        $file = (string) tempnam(sys_get_temp_dir(), 'other');
        config(['database.connections.other' => ['driver' => 'sqlite', 'database' => $file]]);
        DB::setDefaultConnection('other');
        $there = Turn::take("evidence-of-{$team}");
        self::assertNotNull($there);
        self::assertNull(Turn::take("evidence-of-{$team}"), 'one has it at a time');
        DB::setDefaultConnection('sqlite');

        self::assertTrue(app(ComputeAhead::class)($team), 'it was held up by a database that is not its own');
        $there->giveBack();
        unlink($file);
    }

    /** @return iterable<string, array{string, int}> a write, and what it touches: a method, or all tests or all labs */
    public static function writes(): iterable
    {
        yield 'a reading' => ['UPDATE readings SET method_id = method_id WHERE 0', -2];
        yield 'a reading that goes' => ['DELETE FROM readings WHERE id = (SELECT max(id) FROM readings)', -3];
        yield 'the use of an area' => ['UPDATE areas SET "use" = \'corn\'', Stirred::ALL_TESTS];
        yield 'a layout' => ['UPDATE plans SET layout = layout', Stirred::ALL_LABS];
        yield 'a composite that goes to other ground' => ['UPDATE samples SET area_id = area_id', Stirred::ALL_TESTS];
        yield 'a lot' => ["UPDATE methods SET lot = 'L-9' WHERE code = 'kit-ph'", -4];
        yield 'what a lab states' => ["UPDATE methods SET uncertainty = 0.2 WHERE code = 'lab-ph'", -3];
    }

    #[DataProvider('writes')]
    public function test_every_way_of_writing_is_noted(string $write, int $touched): void
    {
        $this->pair($this->area(), '6.5', '6.52');
        $this->computeAhead();
        $noted = static fn (): array => DB::table('stirred')->orderBy('method_id')->pluck('method_id')->all();
        self::assertSame([], $noted());
        // Readings are written once: what may do away with some is left aside here.
        DB::unprepared('DROP TRIGGER IF EXISTS readings_no_DELETE');
        DB::unprepared('PRAGMA defer_foreign_keys = on');
        DB::unprepared($write);
        self::assertSame(
            match ($touched) {
                -2 => [],
                -3 => [$this->method('lab-ph')->id],
                -4 => [$this->method('kit-ph')->id],
                default => [$touched],
            },
            $noted(),
        );
    }

    public function test_what_is_touched_while_it_is_computed_stays_noted(): void
    {
        $area = $this->area();
        $this->pair($area, '6.5', '6.52');
        $stirred = Stirred::of($this->technician->team_id);
        $this->pair($area, '6.5', '6.53');
        $stirred->settle();
        self::assertFalse(Stirred::of($this->technician->team_id)->isNothing());
        self::assertTrue(app(ComputeAhead::class)($this->technician->team_id));
        self::assertFalse(app(ComputeAhead::class)($this->technician->team_id), 'nothing is left to do');
    }

    public function test_the_command_beside_the_server_computes_for_every_team_and_renews_the_statistics(): void
    {
        $this->pair($this->area(), '6.5', '6.52');
        [$other] = $this->team('Heath crew', 'heath');
        self::assertFalse(Stirred::of($other->team_id)->isNothing());
        self::assertSame(0, $this->artisan('data:tend'));

        self::assertSame(0, DB::table('stirred')->count());
        self::assertSame(2, DB::table('evidence_summaries')->distinct()->count('team_id'));
        self::assertGreaterThan(0, DB::table('sqlite_stat1')->where('tbl', 'readings')->count());
    }

    public function test_what_could_not_be_kept_stays_noted(): void
    {
        $this->pair($this->area(), '6.5', '6.52');
        DB::unprepared("CREATE TRIGGER busy BEFORE INSERT ON evidence_summaries BEGIN SELECT RAISE(ABORT, 'database is locked'); END");
        self::assertTrue(app(ComputeAhead::class)($this->technician->team_id));
        self::assertFalse(Stirred::of($this->technician->team_id)->isNothing(), 'it would count as of now');
        DB::unprepared('DROP TRIGGER busy');
        $this->computeAhead();
        self::assertTrue(Stirred::of($this->technician->team_id)->isNothing());
        self::assertSame(1, EvidenceSummary::query()->where('method_id', $this->method('kit-ph')->id)->sole()->summary['pairs']);
    }

    public function test_what_duplicates_say_is_kept_and_never_of_yesterday(): void
    {
        $area = $this->area();
        $this->pair($area, '6.5', '6.52');
        $this->computeAhead();
        $lab = $this->method('lab-ph');
        self::assertSame(1, KeptSampling::query()->where('method_id', $lab->id)->count());
        $figures = static fn () => app()->make(SamplingSplit::class)->of($lab->refresh());
        self::assertEquals(app(SamplingSplit::class)->anew($lab), $figures());
        $lab->update(['uncertainty' => 0.4]);
        self::assertSame(0.4, $figures()->used, 'touched and not computed yet: looked at anew');
        $this->computeAhead();
        self::assertSame(0.4, $figures()->used);
    }
}
