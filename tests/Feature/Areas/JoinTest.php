<?php

declare(strict_types=1);

namespace Tests\Feature\Areas;

use App\Actions\Areas\WriteArea;
use App\Models\Area;
use Tests\Feature\ApiTestCase;

/** Two areas planned as one composite, and parted again. */
final class JoinTest extends ApiTestCase
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

    public function test_what_only_one_got_becomes_an_event_of_a_part_and_the_plan_asks_why(): void
    {
        $area = $this->area();
        $other = $this->neighbour($area, 0.003);
        $sum = $area->area_m2 + $other->area_m2;
        $area->update([
            'facts' => ['events' => [$this->event('lime', '2024-05'), $this->event('manure', '2025')]] + self::FACTS,
        ]);
        $other->update([
            'facts' => [
                'events' => [$this->event('manure', '2025'), $this->event('compost', '2023-10-02')],
                'slopes' => ['foot'],
            ] + self::FACTS,
            'history' => 'Hay until 2019.',
        ]);
        $together = $this->api(
            'GET',
            '/areas/{area}/together/{other}',
            ids: ['area' => $area->id, 'other' => $other->id],
        )
            ->assertOk()
            ->json('reasons');
        self::assertNotSame([], $together);

        $joined = $this->api(
            'POST',
            '/areas/{area}/join/{other}',
            ids: ['area' => $area->id, 'other' => $other->id],
        )->assertOk();
        self::assertSame([1, $area->id], [Area::query()->count(), $joined->json('id')]);
        self::assertEqualsWithDelta($sum, $joined->json('area_m2'), 0.01);
        self::assertSame(
            ['lime 2024-05 part', 'manure 2025', 'compost 2023-10-02 part'],
            array_map(
                static fn (array $event): string => "{$event['kind']} {$event['on']}".($event['part'] ? ' part' : ''),
                $joined->json('facts.events'),
            ),
        );
        self::assertSame(['level', 'foot'], $joined->json('facts.slopes'));
        self::assertStringContainsString('Sedge bank: Hay until 2019.', $joined->json('history'));
        $this->api('POST', '/areas/{area}/plans', self::SPEC, ['area' => $area->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('kept_reason');

        $parts = $this->api(
            'POST',
            '/areas/{area}/cut',
            ['line' => null, 'names' => ['Sedge meadow', 'Sedge bank']],
            ['area' => $area->id],
        )
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta($sum, $parts[0]['area_m2'] + $parts[1]['area_m2'], 0.01);
        self::assertSame(['Polygon', 'Polygon'], [$parts[0]['boundary']['type'], $parts[1]['boundary']['type']]);
    }

    public function test_uses_that_want_another_ph_stay_a_reason_until_the_ground_is_parted(): void
    {
        $area = $this->area();
        $other = $this->neighbour($area, 0.003);
        $other->update(['use' => 'blueberry', 'facts' => ['old_paint' => true] + self::FACTS]);
        $joined = $this->api(
            'POST',
            '/areas/{area}/join/{other}',
            ids: ['area' => $area->id, 'other' => $other->id],
        )->assertOk();
        $advice = implode(' ', $joined->json('advice'));
        self::assertStringContainsString('no one answer fits both', $advice);
        self::assertStringContainsString('Only one of the two has seen old paint', $advice);
        $this->api('POST', '/areas/{area}/plans', self::SPEC, ['area' => $area->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('kept_reason');

        $parts = $this->api(
            'POST',
            '/areas/{area}/cut',
            ['line' => null, 'names' => ['Sedge meadow', 'Sedge bank']],
            ['area' => $area->id],
        )
            ->assertOk()
            ->json();
        self::assertSame([[], []], [$parts[0]['advice'], $parts[1]['advice']]);
        $this->api('POST', '/areas/{area}/plans', self::SPEC, ['area' => $area->id])->assertCreated();
    }

    public function test_neighbours_with_a_common_edge_join_and_can_be_planned(): void
    {
        $area = $this->area();
        $other = $this->neighbour($area, 0.002);
        $this->api('POST', '/areas/{area}/join/{other}', ids: ['area' => $area->id, 'other' => $other->id])->assertOk();
        $cores = $this->api('POST', '/areas/{area}/plans', self::SPEC, ['area' => $area->id])
            ->assertCreated()
            ->json('layout.cores');

        self::assertCount(12, $cores);
        self::assertNotSame([], array_filter($cores, static fn (array $core): bool => $core['longitude'] > -76.28));
        self::assertNotSame([], array_filter($cores, static fn (array $core): bool => $core['longitude'] < -76.28));
    }

    public function test_areas_that_cannot_be_joined_stay_as_they_are(): void
    {
        $area = $this->area();
        $other = $this->neighbour($area, 0.003);
        $planned = $this->neighbour($area, 0.006, 'Sedge corner');
        $this->plan($planned);
        $elsewhere = $this->area($this->site('EL'), name: 'Far meadow');
        foreach (
            [
                [$area, $area, 'Two different areas'],
                [$area, $planned, 'plans, composites, programs or a log of its own'],
                [$area, $elsewhere, 'of one site'],
            ] as [$one, $two, $words]
        ) {
            $said = $this->api(
                'POST',
                '/areas/{area}/join/{other}',
                ids: ['area' => $one->id, 'other' => $two->id],
            )->assertStatus(409);
            self::assertStringContainsString($words, (string) $said->json('message'));
        }
        self::assertSame(4, Area::query()->count());
        $over = $this->neighbour($area, 0.001, 'Sedge middle');
        $this->api(
            'POST',
            '/areas/{area}/join/{other}',
            ids: ['area' => $area->id, 'other' => $over->id],
        )->assertStatus(422);
        self::assertEquals([self::SQUARE, 5], [$area->refresh()->boundary, Area::query()->count()]);
        self::assertSame($other->id, $other->refresh()->id);
    }

    private function neighbour(Area $area, float $east, string $name = 'Sedge bank'): Area
    {
        $rings = [
            array_map(
                static fn (array $place): array => [round($place[0] + $east, 6), $place[1]],
                self::SQUARE['coordinates'][0],
            ),
        ];

        return app(WriteArea::class)
            ->new($area->site, [
                'name' => $name,
                'use' => 'pasture',
                'history' => '',
                'boundary' => ['type' => 'Polygon', 'coordinates' => $rings],
            ])
            ->refresh();
    }

    /** @return array<string, mixed> */
    private function event(string $kind, string $on): array
    {
        return ['kind' => $kind, 'on' => $on, 'part' => false, 'note' => ''];
    }
}
