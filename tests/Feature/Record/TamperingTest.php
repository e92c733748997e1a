<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

use App\Actions\Readings\RecordReading;
use App\Models\Area;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\SignedVerdict;
use App\Record\Seal;
use App\Record\VerifyRecord;
use HonestCore\Record\ChainFault;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainLink;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** Somebody with the database in hand, who takes the triggers away and changes what was written. */
final class TamperingTest extends ApiTestCase
{
    private const ONCE = [
        'custody_lines', 'readings', 'lab_results', 'result_marks', 'question_answers', 'judging_policies', 'verdicts',
        'record_links',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $area = $this->area();
        foreach ([['5.5', '5.52'], ['6.0', '6.08'], ['6.5', '6.60'], ['7.0', '7.05']] as [$band, $ph]) {
            $this->pair($area, $band, $ph);
        }
        $kit = $this->method('kit-ph');
        app(RecordReading::class)($area->samples()->firstOrFail(), $kit, $this->technician, [
            'typed' => '6.0',
            'read_on' => '2026-09-05',
            'reader' => 'Ada Fenwright',
            'flags' => [],
            'note' => 'read once more',
            'corrects_id' => Reading::query()->where('method_id', $kit->id)->min('id'),
        ]);
        $hash = $this->actingAs($this->reviewer)
            ->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])
            ->json('hash');
        $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => 'sort',
                'hash' => $hash,
                'password' => 'peat',
                'follows_id' => null,
                'scope' => 'The kit at Fen End.',
                'note' => '',
            ],
            ['method' => $kit->id],
        )->assertCreated();
        $this->actingAs($this->technician);
    }

    public function test_what_the_program_wrote_is_whole_and_every_row_has_its_link(): void
    {
        $found = app(VerifyRecord::class)($this->technician->team_id);

        self::assertNull($found->fault, $found->fault->words ?? '');
        $rows = 0;
        foreach (array_diff(self::ONCE, ['record_links']) as $table) {
            $rows += DB::table($table)->where('team_id', $this->technician->team_id)->count();
        }
        self::assertSame($rows, $found->head->position);
        self::assertGreaterThan(15, $rows);
    }

    #[DataProvider('harms')]
    public function test_tampering_is_found_and_its_first_row_named(string $sql, string $kind, string $table): void
    {
        $this->unseal();
        self::assertNotFalse(DB::unprepared($sql));

        $fault = app(VerifyRecord::class)($this->technician->team_id)->fault;

        self::assertNotNull($fault, 'nothing was found');
        self::assertSame([$kind, $table], [$fault->kind, $fault->table], $fault->words);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function harms(): iterable
    {
        $first = static fn (string $table): string => "(SELECT MIN(id) FROM {$table})";
        $last = static fn (string $table): string => "(SELECT MAX(id) FROM {$table})";
        $altered = ChainFault::ALTERED;
        yield 'a verdict is turned round' => ["UPDATE verdicts SET verdict = 'stands'", $altered, 'verdicts'];
        yield 'a verdict claims more' => ["UPDATE verdicts SET claim = 'rate'", $altered, 'verdicts'];
        yield 'another is made to have signed' => [
            'UPDATE verdicts SET signed_by = signed_by - 1',
            $altered,
            'verdicts',
        ];
        yield 'a verdict was signed earlier' => [
            "UPDATE verdicts SET created_at = '2020-01-01 00:00:00'",
            $altered,
            'verdicts',
        ];
        yield 'the kept pairs agree better' => [
            "UPDATE verdicts SET snapshot = REPLACE(snapshot, '5.52', '5.50')",
            $altered,
            'verdicts',
        ];
        yield 'a verdict is gone' => ['DELETE FROM verdicts', ChainFault::REMOVED, 'verdicts'];
        yield 'a reading says another number' => [
            'UPDATE readings SET value = value + 0.01 WHERE value IS NOT NULL',
            $altered,
            'readings',
        ];
        yield 'a reading says another band' => [
            "UPDATE readings SET band = '7.5' WHERE id = ".$first('readings'),
            $altered,
            'readings',
        ];
        yield 'a break is taken off, or put on' => [
            "UPDATE readings SET flags = '[\"spilled\"]' WHERE id = ".$last('readings'),
            $altered,
            'readings',
        ];
        yield 'another reader' => ["UPDATE readings SET reader = 'Somebody'", $altered, 'readings'];
        yield 'another day' => ["UPDATE readings SET read_on = '2026-01-01 00:00:00'", $altered, 'readings'];
        yield 'another lot' => ["UPDATE readings SET lot = 'L-9'", $altered, 'readings'];
        yield 'a correction corrects nothing' => [
            'UPDATE readings SET corrects_id = NULL WHERE corrects_id IS NOT NULL',
            $altered,
            'readings',
        ];
        yield 'a reading is gone' => [
            'DELETE FROM readings WHERE corrects_id IS NOT NULL',
            ChainFault::REMOVED,
            'readings',
        ];
        yield 'a reading is given to another team' => [
            'UPDATE readings SET team_id = team_id + 1 WHERE id = '.$last('readings'),
            ChainFault::REMOVED,
            'readings',
        ];
        yield 'a reading is put in' => [
            'INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, band, as_reported, read_on, reader, '.
                'flags, note, lot) SELECT team_id, sample_id, portion_id, method_id, created_by, band, as_reported, read_on, '.
                'reader, flags, note, lot FROM readings WHERE id = '.$first('readings'),
            ChainFault::INSERTED,
            'readings',
        ];
        yield 'a line of a trail happened elsewhere' => [
            "UPDATE custody_lines SET place = 'Elsewhere'",
            $altered,
            'custody_lines',
        ];
        yield 'a line of a trail is gone' => [
            'DELETE FROM custody_lines WHERE id = '.$last('custody_lines'),
            ChainFault::REMOVED,
            'custody_lines',
        ];
        yield 'a policy asks for less' => [
            "UPDATE judging_policies SET terms = REPLACE(terms, '0.8', '0.5')",
            $altered,
            'judging_policies',
        ];
        yield 'a row is gone with its link' => [
            'DELETE FROM readings WHERE corrects_id IS NOT NULL; '.
                "DELETE FROM record_links WHERE \"table\" = 'readings' AND row NOT IN (SELECT id FROM readings)",
            ChainFault::BROKEN,
            'verdicts',
        ];
        yield 'two links change places' => [
            'UPDATE record_links SET position = -1 WHERE position = 2; UPDATE record_links SET position = 2 WHERE '.
                'position = 3; UPDATE record_links SET position = 3 WHERE position = -1',
            ChainFault::BROKEN,
            'judging_policies',
        ];
        yield 'a link names another row' => [
            'UPDATE record_links SET row = row + 1000 WHERE position = 1',
            ChainFault::BROKEN,
            'judging_policies',
        ];
    }

    public function test_a_row_and_its_own_link_made_to_fit_again_break_the_next_link(): void
    {
        $this->unseal();
        $id = (int) Reading::query()->where('value', '>', 0)->min('id');
        DB::table('readings')->where('id', $id)->update(['value' => 9.0]);
        $row = DB::table('record_links')->where('table', 'readings')->where('row', $id)->firstOrFail();
        $before = DB::table('record_links')->where('position', $row->position - 1)->firstOrFail();
        $reading = DB::table('readings')->where('id', $id)->firstOrFail();
        $link = ChainLink::behind(Seal::linkOf($before, 0), 'readings', $id, Seal::says($reading, 'readings', 1, 0));
        DB::table('record_links')->where('id', $row->id)->update(['says' => $link->says, 'hash' => $link->hash]);

        $fault = app(VerifyRecord::class)($this->technician->team_id)->fault;

        self::assertSame(ChainFault::BROKEN, $fault?->kind);
        self::assertStringContainsString('does not follow the one before it', $fault->words);
    }

    public function test_a_record_that_was_made_anew_whole_is_found_by_a_head_that_was_kept(): void
    {
        $team = $this->technician->team_id;
        $kept = app(VerifyRecord::class)($team)->head;
        $this->unseal();
        DB::unprepared('UPDATE readings SET value = value + 1; DELETE FROM record_links');
        Seal::all(1);

        self::assertNull(app(VerifyRecord::class)($team)->fault, 'alone it looks whole');
        self::assertSame(ChainFault::REWRITTEN, app(VerifyRecord::class)($team, $kept)->fault?->kind);
        self::assertSame(
            ChainFault::REMOVED,
            app(VerifyRecord::class)($team, new ChainHead($kept->position + 5, $kept->hash))->fault?->kind,
        );
    }

    public function test_a_row_that_came_past_the_program_gets_no_link_from_the_next_write(): void
    {
        $this->unseal();
        $copy = (array) DB::table('custody_lines')->first();
        unset($copy['id']);
        DB::table('custody_lines')->insert(['uuid' => 'put in'] + $copy);
        $this->pair(Area::query()->firstOrFail(), '6.0', '6.00');

        self::assertSame(ChainFault::INSERTED, app(VerifyRecord::class)($this->technician->team_id)->fault?->kind);
    }

    public function test_the_page_of_a_verdict_says_what_was_done_to_it(): void
    {
        $id = SignedVerdict::query()->firstOrFail()->id;
        $check = fn (): array => (array) $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $id])->json('check');
        self::assertSame([true, true, false], [$check()['pairs_hold'], $check()['row_holds'], $check()['moved']]);

        $this->pair(Area::query()->firstOrFail(), '5.5', '5.49');
        self::assertSame([true, true, true], [$check()['pairs_hold'], $check()['row_holds'], $check()['moved']]);
        $this->unseal();
        DB::unprepared("UPDATE verdicts SET snapshot = REPLACE(snapshot, '5.52', '5.50')");
        self::assertSame([false, false], [$check()['pairs_hold'], $check()['row_holds']]);
    }

    public function test_a_verdict_whose_reference_is_no_longer_compared_is_still_shown(): void
    {
        $id = SignedVerdict::query()->firstOrFail()->id;
        $this->method('kit-ph')->update(['analyte' => 'k']);

        $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $id])->assertOk()->assertJsonPath('check.moved', true);
    }

    public function test_a_verdict_that_was_turned_round_speaks_no_more_anywhere(): void
    {
        $this->unseal();
        self::assertSame([], $this->api('GET', '/verdicts')->json('rows.0.ended'));
        DB::unprepared("UPDATE verdicts SET verdict = 'stands'");
        $word = 'it is not as it was signed';

        self::assertStringContainsString($word, (string) $this->api('GET', '/verdicts')->json('rows.0.ended.0'));
        self::assertStringContainsString($word, (string) $this->api('GET', '/evidence')->json('rows.0.claims.sort.ended.0'));
        $area = Area::query()->firstOrFail();
        $bare = $this->sample($area, '2026-10-01');
        $this->read($bare, 'kit-ph', '5.5');
        $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $area->id], query: ['sample_id' => $bare->id])
            ->assertOk()
            ->assertJsonPath('kind', 'none')
            ->assertJsonPath('verdict', null);
    }

    public function test_a_damaged_trail_is_shown_with_its_damage_and_takes_no_further_line(): void
    {
        $portion = Portion::query()->where('kind', 'lab')->firstOrFail();
        self::assertSame([], $this->api('GET', '/portions/{portion}', ids: ['portion' => $portion->id])->json('damage'));
        $this->unseal();
        DB::table('custody_lines')->where('portion_id', $portion->id)->update(['step' => 'reported']);

        $shown = $this->api('GET', '/portions/{portion}', ids: ['portion' => $portion->id])->assertOk();
        self::assertStringContainsString('the trail would begin with', (string) $shown->json('damage.0'));
        self::assertSame('reported', $shown->json('trail.0.step'));
        $this->api('POST', '/custody-steps', [
            'submission' => '6f9619ff-8b86-4d01-b42d-00cf4fc964ff',
            'codes' => [$portion->code],
            'step' => 'drying',
            'at' => now()->toIso8601ZuluString(),
            'place' => null,
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ])->assertStatus(422);
    }

    public function test_every_table_of_evidence_refuses_a_change_a_removal_and_a_replacement(): void
    {
        DB::unprepared('PRAGMA recursive_triggers = on');
        foreach (['readings', 'custody_lines', 'judging_policies', 'verdicts', 'record_links'] as $table) {
            $one = (array) DB::table($table)->first();
            $column = array_key_exists('created_by', $one) ? 'created_by' : ($table === 'verdicts' ? 'signed_by' : 'row');
            foreach (
                [
                    "UPDATE {$table} SET {$column} = {$column} + 1",
                    "DELETE FROM {$table}",
                    "INSERT OR REPLACE INTO {$table} SELECT * FROM {$table} LIMIT 1",
                ] as $sql
            ) {
                try {
                    DB::statement($sql);
                    self::fail("{$sql} went through");
                } catch (\Illuminate\Database\QueryException $error) {
                    self::assertStringContainsString('are written once', $error->getMessage(), $sql);
                }
            }
        }
    }

    public function test_a_wrong_password_signs_nothing(): void
    {
        $kit = $this->method('kit-ph');
        $this->actingAs($this->reviewer);
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->json('hash');
        $body = ['claim' => 'rate', 'hash' => $hash, 'follows_id' => null, 'scope' => 'The kit at Fen End.', 'note' => ''];

        foreach (['turf', ''] as $password) {
            $refused = $this->api(
                'POST',
                '/evidence/{method}/verdicts',
                $body + ['password' => $password],
                ['method' => $kit->id],
            )->assertStatus(422);
            self::assertArrayHasKey('password', $refused->json('errors') ?? $refused->json('fields') ?? []);
        }
        self::assertSame(1, SignedVerdict::query()->count());
    }

    private function unseal(): void
    {
        foreach (self::ONCE as $table) {
            DB::unprepared("DROP TRIGGER {$table}_no_UPDATE; DROP TRIGGER {$table}_no_DELETE");
        }
        DB::unprepared('PRAGMA defer_foreign_keys = on');
    }
}
