<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use Illuminate\Support\Carbon;
use Tests\Feature\ApiTestCase;

/** What leaves a plan: points for receivers, the calendar, the field sheet. */
final class PlanFilesTest extends ApiTestCase
{
    public function test_points_come_in_four_formats_with_every_core(): void
    {
        $plan = $this->plan();
        $counts = [];
        foreach (
            ['gpx' => '<wpt ', 'kml' => '<Placemark>', 'geojson' => '"type":"Point"', 'csv' => "\n"] as $format => $mark
        ) {
            $file = $this->get("/api/plans/{$plan->id}/points/{$format}")->assertOk();
            self::assertStringContainsString(
                "sedge-meadow-plan-{$plan->id}.{$format}",
                (string) $file->headers->get('Content-Disposition'),
            );
            $counts[$format] = substr_count((string) $file->getContent(), $mark);
        }

        self::assertSame(['gpx' => 12, 'kml' => 12, 'geojson' => 12, 'csv' => 12], $counts);
        $this->get("/api/plans/{$plan->id}/points/exe")->assertNotFound();
    }

    public function test_the_calendar_runs_backwards_and_goes_out_as_a_file(): void
    {
        Carbon::setTestNow('2026-08-01 12:00:00');
        $plan = $this->plan();
        $calendar = $this->api(
            'GET',
            '/plans/{plan}/calendar',
            ids: ['plan' => $plan->id],
            query: ['lime_on' => '2026-10-15'],
        )->assertOk();
        self::assertSame(
            ['2026-09-12', '2026-09-14', '2026-09-17', '2026-10-01', '2026-10-15'],
            array_column($calendar->json('steps'), 'on'),
        );
        self::assertSame([], $calendar->json('warnings'));
        self::assertNotSame(
            [],
            $this->api(
                'GET',
                '/plans/{plan}/calendar',
                ids: ['plan' => $plan->id],
                query: ['lime_on' => '2026-08-10'],
            )->json('warnings'),
        );
        $this->api(
            'GET',
            '/plans/{plan}/calendar',
            ids: ['plan' => $plan->id],
            query: ['lime_on' => 'spring'],
        )->assertStatus(422);
        $this->api(
            'GET',
            '/plans/{plan}/calendar',
            ids: ['plan' => $plan->id],
            query: ['lime_on' => '2026-10-15', 'lab_days' => 400],
        )->assertStatus(422);

        $file = $this->get("/api/plans/{$plan->id}/calendar.ics?lime_on=2026-10-15")->assertOk();
        self::assertStringContainsString('text/calendar', (string) $file->headers->get('Content-Type'));
        self::assertSame(5, substr_count((string) $file->getContent(), 'BEGIN:VEVENT'));
    }

    public function test_the_sheet_follows_the_tests_wanted(): void
    {
        $plan = $this->plan();
        $plain = $this->api(
            'GET',
            '/plans/{plan}/sheet',
            ids: ['plan' => $plan->id],
            query: ['tests' => 'ph'],
        )->assertOk();
        $zinc = $this->api(
            'GET',
            '/plans/{plan}/sheet',
            ids: ['plan' => $plan->id],
            query: ['tests' => 'ph,zinc,nitrate'],
        )->assertOk();

        self::assertStringNotContainsString('galvanised', implode(' ', $plain->json('tools')));
        self::assertStringContainsString('galvanised', implode(' ', $zinc->json('tools')));
        self::assertStringContainsString('Cold box', implode(' ', $zinc->json('tools')));
        $this->api('GET', '/plans/{plan}/sheet', ids: ['plan' => $plan->id], query: ['tests' => 'gold'])->assertStatus(
            422,
        );
    }
}
