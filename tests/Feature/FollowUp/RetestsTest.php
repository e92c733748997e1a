<?php

declare(strict_types=1);

namespace Tests\Feature\FollowUp;

use App\Models\Area;
use App\Models\Site;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** When to look again, by rule; a season's campaign; and what a calendar subscribes to. */
final class RetestsTest extends FollowUpTestCase
{
    public function test_the_reason_that_comes_first_decides_and_every_reason_is_said(): void
    {
        $site = $this->oldSite();
        [$limed, $waiting, $troubled] = [
            $this->area($site, 'corn', 'Limed side'),
            $this->area($site, 'corn', 'Waiting side'),
            $this->area($site, 'corn', 'Troubled side'),
        ];
        foreach ([$limed, $waiting, $troubled] as $area) {
            $this->round($area, '2024-10-01', $area === $troubled ? '6.70' : '5.60', $area === $troubled ? null : '6.10');
        }
        $program = $this->signed($limed, '2024-11-10');
        $this->signed($waiting, '2024-11-10');
        self::assertSame('2027-10-01', $this->dates($site)['Limed side']['due'], 'Nobody noted that it was spread.');
        $this->limed($program, '2024-11-20');
        Carbon::setTestNow('2024-12-01 15:00:00');
        $this->api('POST', '/areas/{area}/ground-events', [
            'kind' => 'problem', 'on' => '2024-11-30', 'what' => 'Water stood for a week', 'amount' => 0, 'unit' => '',
        ], ['area' => $troubled->id])->assertCreated();
        $dates = $this->dates($site);
        self::assertSame(['2025-10-01', 'The pH is being corrected, and was spread'], $this->first($dates['Limed side']));
        self::assertSame(
            ['2027-10-01', 'To be corrected, but nobody noted that it was spread'],
            $this->first($dates['Waiting side']),
        );
        self::assertSame(['2025-10-01', 'A problem was noted: Water stood for a week'], $this->first($dates['Troubled side']));
        self::assertSame('2027-10-01', $dates['Troubled side']['reasons'][1]['due'], 'The usual date stands beside it.');
    }

    /** What is pulled in the morning goes before what is spread in the afternoon. */
    public function test_what_was_spread_on_the_very_day_of_the_round_came_after_it(): void
    {
        $site = $this->oldSite();
        $area = $this->area($site, 'corn', 'Heavy side');
        $this->round($area, '2024-10-01', '6.70');
        Carbon::setTestNow('2024-11-20 15:00:00');
        $this->note(self::entry($area->id, ['product' => 'limestone-pelleted', 'amount' => 5, 'unit' => 'tons/acre', 'on' => '2024-10-01']))
            ->assertJsonCount(1, 'stored');
        self::assertContains(
            ['due' => '2025-10-01', 'why' => 'A large rate was spread'],
            $this->dates($site)['Heavy side']['reasons'],
        );
    }

    public function test_a_large_rate_a_new_site_and_no_phosphorus_are_tested_again_after_a_year(): void
    {
        $site = $this->oldSite();
        $area = $this->area($site, 'corn', 'Heavy side');
        $this->round($area, '2024-10-01', '6.70');
        Carbon::setTestNow('2024-11-20 15:00:00');
        $entry = self::entry($area->id, ['product' => 'limestone-pelleted', 'amount' => 5, 'unit' => 'tons/acre']);
        $this->note($entry)->assertJsonCount(1, 'stored');
        self::assertContains(
            ['due' => '2025-10-01', 'why' => 'A large rate was spread'],
            $this->dates($site)['Heavy side']['reasons'],
        );
        $this->note(self::entry($area->id, ['takes_back' => $entry['uuid']]))->assertJsonCount(1, 'stored');
        self::assertSame(['2027-10-01', 'Within 3 years'], $this->first($this->dates($site)['Heavy side']));
        $fresh = Site::query()->create(
            ['name' => 'New End', 'letters' => 'NE'] + $site->only(['address', 'timezone', 'units', 'latitude', 'longitude']),
        );
        $this->round($this->area($fresh, 'corn', 'First side'), '2024-10-01', '6.70');
        self::assertSame(['2025-10-01', 'The site is new'], $this->first($this->dates($fresh)['First side']));
        self::assertSame(['never', 'Nothing was ever pulled here'], [
            ($none = $this->dates($this->withNothing($fresh))['Bare side'])['state'], $none['reasons'][0]['why'],
        ]);
    }

    public function test_the_list_comes_a_page_at_a_time_and_asks_no_more_queries(): void
    {
        $site = $this->oldSite();
        $asked = [];
        foreach ([3, 60] as $areas) {
            foreach (range(Area::query()->count() + 1, $areas) as $number) {
                $this->area($site, 'corn', "Sedge {$number}");
            }
            $this->computeAhead();
            DB::flushQueryLog();
            DB::enableQueryLog();
            $page = $this->api('GET', '/follow-up', query: ['site_id' => $site->id])->assertOk()->json();
            $asked[] = count(DB::getQueryLog());
            DB::disableQueryLog();
            self::assertSame([$areas, min(50, $areas)], [$page['total'], count($page['rows'])]);
        }
        self::assertSame($asked[0], $asked[1]);
        $this->api('GET', '/follow-up', query: ['site_id' => $site->id, 'page' => 2])->assertJsonCount(10, 'rows');
        $this->api('GET', '/follow-up', query: ['site_id' => $site->id, 'page' => 0])->assertStatus(422);
    }

    public function test_a_campaign_keeps_the_season_and_what_is_moved_stays_moved(): void
    {
        $site = $this->site();
        $area = $this->area($site, 'corn', 'Limed side');
        $this->round($area, '2024-10-01', '6.70');
        Carbon::setTestNow('2025-08-20 12:00:00');
        $weeks = $this->campaign('2025-09-01');
        self::assertSame(['2025-09-29' => ['Limed side']], $weeks, 'The week of the year in which it was pulled before.');
        $move = fn (?string $week) => $this->api('PUT', '/campaign/areas/{area}', ['week' => $week], ['area' => $area->id]);
        $move('2025-10-15')->assertNoContent();
        self::assertSame(['2025-10-13' => ['Limed side']], $this->campaign('2025-09-01'));
        $move('2025-07-01')->assertStatus(409);
        $move('soon')->assertStatus(422);
        $ics = (string) $this->get('/api/campaign.ics?from=2025-09-01')->assertOk()->getContent();
        self::assertStringContainsString("UID:campaign-area-{$area->id}@honest-core", $ics);
        self::assertStringContainsString("DTSTART;VALUE=DATE:20251013\r\nDTEND;VALUE=DATE:20251020", $ics);
        $move(null)->assertNoContent();
        self::assertSame(['2025-09-29' => ['Limed side']], $this->campaign('2025-09-01'));
        // Once it is pulled, an old move moves nothing.
        $move('2025-10-15')->assertNoContent();
        $this->round($area, '2025-10-14', '6.70');
        self::assertSame([], $this->campaign('2025-10-20'));
    }

    public function test_a_calendar_reads_without_an_account_until_its_address_is_withdrawn(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '6.70');
        Carbon::setTestNow('2025-09-20 12:00:00');
        $this->api('POST', '/calendar-addresses', ['name' => ''])->assertStatus(422);
        $opened = $this->api('POST', '/calendar-addresses', ['name' => 'The wall calendar of the barn'])->assertCreated()->json();
        self::assertStringNotContainsString(
            basename($opened['address'], '.ics'),
            (string) json_encode(DB::table('calendar_addresses')->get()),
        );
        [$stranger] = $this->team('Marsh crew', 'marsh');
        $this->app->make('auth')->forgetGuards();
        $counts = DB::select('SELECT total_changes() AS changes')[0];
        $ics = $this->get($opened['address'])->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
        self::assertStringContainsString('SUMMARY:Pull Sedge meadow\, Fen End: retest', (string) $ics);
        self::assertEquals($counts, DB::select('SELECT total_changes() AS changes')[0]);
        $this->get('/calendar/nothing-like-it.ics')->assertNotFound();
        $this->actingAs($stranger);
        $this->api('GET', '/calendar-addresses')->assertJsonCount(0);
        $this->api('POST', '/calendar-addresses/{address}/withdraw', ids: ['address' => $opened['id']])->assertNotFound();
        $this->actingAs($this->technician);
        $this->api('POST', '/calendar-addresses/{address}/withdraw', ids: ['address' => $opened['id']])->assertOk();
        $this->api('POST', '/calendar-addresses/{address}/withdraw', ids: ['address' => $opened['id']])->assertStatus(409);
        $this->get($opened['address'])->assertNotFound();
    }

    /** @return array<string, list<string>> names by week, weeks with none left out */
    private function campaign(string $from): array
    {
        $by = [];
        foreach ($this->api('GET', '/campaign', query: ['from' => $from])->assertOk()->json('weeks') as $week) {
            $by[$week['monday']] = array_column($week['areas'], 'area');
        }

        return array_filter($by);
    }

    /** @return array<string, array<string, mixed>> */
    private function dates(Site $site): array
    {
        return array_column($this->api('GET', '/follow-up', query: ['site_id' => $site->id])->assertOk()->json('rows'), null, 'area');
    }

    /**
     * @param array<string, mixed> $date
     * @return array{string, string}
     */
    private function first(array $date): array
    {
        return [$date['due'], $date['reasons'][0]['why']];
    }

    /** A site that was first pulled years ago. */
    private function oldSite(): Site
    {
        $site = $this->site();
        $this->round($this->area($site, 'corn', 'Old side'), '2020-10-01', '6.70');

        return $site;
    }

    private function withNothing(Site $site): Site
    {
        $this->area($site, 'corn', 'Bare side');

        return $site;
    }
}
