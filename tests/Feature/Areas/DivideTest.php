<?php

declare(strict_types=1);

namespace Tests\Feature\Areas;

use App\Models\Area;
use App\Models\Plan;
use Tests\Feature\ApiTestCase;

/** Cutting, holes, facts and what follows from them; files in and out. */
final class DivideTest extends ApiTestCase
{
    private const FACTS = [
        'surfaces' => ['ground'],
        'slopes' => ['level'],
        'textures' => ['loam'],
        'colour' => 'brown',
        'crops_now' => 'grass',
        'crops_wanted' => '',
        'irrigated' => false,
        'old_paint' => false,
        'industry' => false,
        'events' => [],
    ];

    public function test_a_line_cuts_an_area_in_two_and_the_larger_part_keeps_its_plans(): void
    {
        $area = $this->area();
        $plan = $this->plan($area);
        $line = ['type' => 'LineString', 'coordinates' => [[-76.2815, 42.917], [-76.2815, 42.913]]];
        $parts = $this->api(
            'POST',
            '/areas/{area}/cut',
            ['line' => $line, 'names' => ['Sedge meadow, east', 'Sedge meadow by the lane']],
            ['area' => $area->id],
        )
            ->assertOk()
            ->json();

        self::assertSame($area->id, $parts[0]['id']);
        self::assertEqualsWithDelta(3.0, $parts[0]['area_m2'] / $parts[1]['area_m2'], 0.001);
        self::assertEqualsWithDelta($area->area_m2, $parts[0]['area_m2'] + $parts[1]['area_m2'], 0.01);
        self::assertSame($area->id, $plan->refresh()->area_id);
        $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])->assertJsonPath('boundary_moved', true);
    }

    public function test_one_click_cuts_across_the_middle_and_bad_cuts_change_nothing(): void
    {
        $area = $this->area();
        $before = $area->boundary;
        foreach (
            [
                [
                    'line' => ['type' => 'LineString', 'coordinates' => [[0, 0], [1, 1]]],
                    'names' => ['Sedge, east side', 'Sedge, west side'],
                ],
                [
                    'line' => ['type' => 'Point', 'coordinates' => [0, 0]],
                    'names' => ['Sedge, east side', 'Sedge, west side'],
                ],
                ['line' => null, 'names' => ['Sedge, east side', 'Sedge, east side']],
                ['line' => null, 'names' => ['Sedge, east side', 'field 2']],
                ['line' => null, 'names' => ['Sedge, east side']],
            ] as $body
        ) {
            $this->api('POST', '/areas/{area}/cut', $body, ['area' => $area->id])->assertStatus(422);
        }
        self::assertSame([1, $before], [Area::query()->count(), $area->refresh()->boundary]);

        $parts = $this->api(
            'POST',
            '/areas/{area}/cut',
            ['line' => null, 'names' => ['Sedge, upper', 'Sedge, lower']],
            ['area' => $area->id],
        )
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta(1.0, $parts[0]['area_m2'] / $parts[1]['area_m2'], 0.01);
    }

    public function test_a_piece_is_taken_out_when_it_lies_inside(): void
    {
        $area = $this->area();
        $piece = static fn (float $west, float $east): array => [
            'type' => 'Polygon',
            'coordinates' => [[[$west, 42.9145], [$east, 42.9145], [$east, 42.915], [$west, 42.915], [$west, 42.9145]]],
        ];
        $this->api(
            'POST',
            '/areas/{area}/hole',
            ['boundary' => $piece(-76.2815, -76.279)],
            ['area' => $area->id],
        )->assertStatus(422);
        $left = $this->api(
            'POST',
            '/areas/{area}/hole',
            ['boundary' => $piece(-76.2815, -76.281)],
            ['area' => $area->id],
        )->assertOk();

        self::assertCount(2, $left->json('boundary.coordinates'));
        self::assertEqualsWithDelta(40.8 * 55.5, $area->area_m2 - $left->json('area_m2'), 30);
    }

    public function test_facts_are_kept_checked_and_give_advice(): void
    {
        $area = $this->area();
        $fields = ['name' => $area->name, 'use' => 'pasture', 'history' => '', 'boundary' => $area->boundary];
        $this->api('PUT', '/areas/{area}', ['facts' => ['slopes' => ['top', 'foot']] + self::FACTS] + $fields, [
            'area' => $area->id,
        ])
            ->assertOk()
            ->assertJsonPath('facts.slopes', ['top', 'foot'])
            ->assertJsonPath(
                'advice',
                static fn (array $a): bool => str_contains(implode(' ', $a), 'top of a slope and foot'),
            );
        $this->api('PUT', '/areas/{area}', ['facts' => ['slopes' => ['steep']] + self::FACTS] + $fields, [
            'area' => $area->id,
        ])->assertStatus(422);
        $this->api('PUT', '/areas/{area}', $fields, ['area' => $area->id])
            ->assertOk()
            ->assertJsonPath('facts.slopes', ['top', 'foot']);
    }

    public function test_one_composite_of_ground_that_wants_splitting_needs_a_written_reason(): void
    {
        $area = $this->area();
        $area->update(['facts' => ['slopes' => ['top', 'foot']] + self::FACTS]);
        $this->api('POST', '/areas/{area}/plans', self::SPEC, ['area' => $area->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('kept_reason');
        self::assertSame(0, Plan::query()->count());

        $kept = $this->api(
            'POST',
            '/areas/{area}/plans',
            ['kept_reason' => 'The owner limes it as one.'] + self::SPEC,
            ['area' => $area->id],
        )->assertCreated();
        self::assertSame('The owner limes it as one.', $kept->json('spec.kept_reason'));
        $this->api('POST', '/areas/{area}/plans', ['cell_acres' => 2.5] + self::SPEC, [
            'area' => $area->id,
        ])->assertCreated();
    }

    public function test_two_areas_are_held_against_each_other(): void
    {
        $site = $this->site();
        [$berries, $beans] = [
            $this->area($site, 'blueberry', 'Berry rows'),
            $this->area($site, 'vegetables', 'Bean beds'),
        ];
        $reasons = $this->api(
            'GET',
            '/areas/{area}/together/{other}',
            ids: ['area' => $berries->id, 'other' => $beans->id],
        )
            ->assertOk()
            ->json('reasons');

        self::assertStringContainsString('no one answer fits both', implode(' ', $reasons));
        [$stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);
        $this->api(
            'GET',
            '/areas/{area}/together/{other}',
            ids: ['area' => $berries->id, 'other' => $beans->id],
        )->assertNotFound();
    }

    public function test_areas_go_out_and_come_back_the_same(): void
    {
        $area = $this->area();
        foreach (['geojson', 'kml'] as $format) {
            $text = (string) $this->get("/api/sites/{$area->site_id}/areas/export/{$format}")
                ->assertOk()
                ->getContent();
            $found = $this->api('POST', '/boundaries/read', ['text' => $text])->assertOk();
            self::assertSame('Sedge meadow', $found->json('areas.0.name'));
            self::assertEqualsWithDelta($area->area_m2, $found->json('areas.0.area_m2'), 0.01, $format);
        }
        $gpx = (string) $this->get("/api/sites/{$area->site_id}/areas/export/gpx")
            ->assertOk()
            ->getContent();
        self::assertEqualsWithDelta(
            $area->area_m2,
            $this->api('POST', '/boundaries/read', ['text' => $gpx])->json('areas.0.area_m2'),
            0.01,
        );
        $this->get("/api/sites/{$area->site_id}/areas/export/exe")->assertNotFound();
    }

    public function test_latitude_first_is_offered_to_be_exchanged(): void
    {
        $site = $this->site();
        $text = (string) json_encode([
            'type' => 'Polygon',
            'coordinates' => [array_map(array_reverse(...), self::SQUARE['coordinates'][0])],
        ]);
        $this->api('POST', '/boundaries/read', ['text' => $text, 'site_id' => $site->id])
            ->assertOk()
            ->assertJsonPath('looks_swapped', true);
        $right = $this->api('POST', '/boundaries/read', [
            'text' => $text,
            'site_id' => $site->id,
            'swap' => true,
        ])->assertOk();
        self::assertSame([false, self::SQUARE], [$right->json('looks_swapped'), $right->json('areas.0.boundary')]);
        $off = '{"type":"Polygon","coordinates":[[[42,151],[42,152],[43,152],[42,151]]]}';
        $this->api('POST', '/boundaries/read', ['text' => $off])
            ->assertOk()
            ->assertJsonPath('areas', [])
            ->assertJsonPath('looks_swapped', true);
    }

    public function test_points_and_too_many_corners(): void
    {
        $this->api('POST', '/boundaries/read', [
            'text' => "longitude,latitude\n-76.28,42.91\n-76.27,42.91\n-76.27,42.92\n",
        ])
            ->assertOk()
            ->assertJsonCount(1, 'areas');
        $many = '{"type":"Polygon","coordinates":[['.implode(',', array_fill(0, 100_000, '[1.5,2.5]')).']]}';
        $this->api('POST', '/boundaries/read', ['text' => $many])
            ->assertStatus(422)
            ->assertJsonPath('message', static fn (string $words): bool => str_contains($words, '100,000 positions'));
    }
}
