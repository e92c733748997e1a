<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

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

    public function test_the_end_of_a_chain_that_does_not_fit_is_noticed(): void
    {
        $this->sample();
        DB::unprepared("DROP TRIGGER record_links_no_UPDATE; UPDATE record_links SET says = 'x' WHERE position = 2");

        $answer = $this->getJson('/api/health')->assertStatus(503);
        self::assertStringContainsString('record:verify', (string) $answer->json('chain'));
    }
}
