<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

use App\Exceptions\DiskTrouble;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Tests\Feature\ApiTestCase;

/** What whoever watches the server is told, with nobody signed in. */
final class HealthTest extends ApiTestCase
{
    public function test_a_sound_server_says_so_to_anybody(): void
    {
        $this->sample();
        $this->app?->make('auth')->logout();

        $this->api('GET', '/health')
            ->assertOk()
            ->assertExactJson(['database' => 'ok', 'disk' => 'ok', 'clock' => 'ok', 'chain' => 'ok']);
    }

    public function test_a_clock_that_was_set_back_is_noticed(): void
    {
        Carbon::setTestNow('2026-09-01 18:00:00');
        $this->sample();
        Carbon::setTestNow('2026-08-31 18:00:00');

        $answer = $this->getJson('/api/health')->assertStatus(503);
        self::assertStringContainsString('behind what was written last, at 2026-09-01 18:00 UTC', (string) $answer->json('clock'));
        self::assertSame('ok', $answer->json('database'));
    }

    public function test_where_nothing_can_be_written_that_is_said_and_reading_goes_on(): void
    {
        $sample = $this->sample();
        $body = ['name' => 'Heath end', 'use' => 'pasture', 'history' => '', 'boundary' => self::SQUARE];
        $before = DB::table('areas')->count();
        DB::unprepared('PRAGMA query_only = on');
        try {
            $answer = $this->postJson("/api/sites/{$sample->plan->area->site_id}/areas", $body)->assertStatus(503);
            self::assertStringContainsString('Nothing can be written on this server now', (string) $answer->json('message'));
            $this->api('GET', '/sites')->assertOk();
            $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id])->assertOk();
        } finally {
            DB::unprepared('PRAGMA query_only = off');
        }
        self::assertSame($before, DB::table('areas')->count());
        $this->postJson("/api/sites/{$sample->plan->area->site_id}/areas", $body)->assertCreated();
    }

    public function test_a_database_that_is_none_is_said_in_words(): void
    {
        foreach (['database disk image is malformed', 'file is not a database', 'database or disk is full', 'disk I/O error'] as $said) {
            $answer = DiskTrouble::answer(new \PDOException("SQLSTATE[HY000]: General error: {$said}"));
            self::assertSame(503, $answer?->getStatusCode());
            self::assertStringNotContainsString('SQL', (string) $answer->getContent());
        }
        self::assertNull(DiskTrouble::answer(new \PDOException('UNIQUE constraint failed')));
    }

    public function test_the_end_of_a_chain_that_does_not_fit_is_noticed(): void
    {
        $this->sample();
        DB::unprepared("DROP TRIGGER record_links_no_UPDATE; UPDATE record_links SET says = 'x' WHERE position = 2");

        $answer = $this->getJson('/api/health')->assertStatus(503);
        self::assertStringContainsString('record:verify', (string) $answer->json('chain'));
    }
}
