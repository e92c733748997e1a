<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use App\Models\Sample;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Layers, cells, zones, rows, the start of the walk, and what is pulled by such plans. */
final class PlansInFullTest extends ApiTestCase
{
    public function test_each_layer_gets_a_composite_of_its_own(): void
    {
        $plan = $this->save(['layers' => ['2-6in', '0-2in']])->assertCreated();
        self::assertSame(['0-2in', '2-6in'], array_column($plan->json('layout.layers'), 'notation'));
        self::assertCount(
            2,
            array_filter($plan->json('layout.warnings'), static fn (string $w): bool => str_contains($w, 'ratings')),
        );

        $body = [
            'pulled_on' => '2026-09-01',
            'pulled_by' => 'Ada Fenwright',
            'cores_pulled' => 12,
            'note' => '',
            'submission' => '3f0b1c52-7a1e-4f0a-9d7e-0a4a5a0f9a11',
        ];
        $samples = $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->json('id')])
            ->assertCreated()
            ->json('samples');
        self::assertCount(2, array_unique(array_column($samples, 'code')));
        $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->json('id')])
            ->assertOk()
            ->assertJsonCount(2, 'samples');
        self::assertSame(2, Sample::query()->count());
    }

    public function test_a_deeper_layer_alone_gives_no_lime_rate(): void
    {
        $plan = $this->save(['layers' => ['0-6in', '12-24in']])->json('id');
        $samples = $this->api(
            'POST',
            '/plans/{plan}/samples',
            ['pulled_on' => '2026-09-01', 'pulled_by' => 'Ada', 'cores_pulled' => 12, 'note' => ''],
            ['plan' => $plan],
        )->json('samples');
        $deep = Sample::query()->whereKey($samples[1]['id'])->firstOrFail();
        $this->read($deep, 'lab-ph', '5.10');

        $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $deep->area_id])->assertJsonPath(
            'kind',
            'none',
        );
    }

    public function test_cells_are_pulled_one_by_one(): void
    {
        $plan = $this->save([
            'cell_acres' => 2.5,
            'cell_mode' => 'middle',
            'pattern' => 'random',
            'cores' => 8,
        ])->assertCreated();
        $numbers = array_column($plan->json('layout.composites'), 'number');
        self::assertGreaterThan(1, count($numbers));
        self::assertCount(8 * count($numbers), $plan->json('layout.cores'));
        $site = $plan->json('area.site_id');
        self::assertSame($numbers, $this->api('GET', '/plans', query: ['site_id' => $site])->json('0.to_pull'));

        $body = [
            'composite' => 2,
            'pulled_on' => '2026-09-01',
            'pulled_by' => 'Ada',
            'cores_pulled' => 8,
            'note' => '',
        ];
        $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->json('id')])
            ->assertCreated()
            ->assertJsonPath('samples.0.composite', 2);
        $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->json('id')])
            ->assertStatus(422)
            ->assertJsonValidationErrors('composite');
        $this->api('POST', '/plans/{plan}/samples', ['composite' => 99] + $body, ['plan' => $plan->json('id')])
            ->assertStatus(422)
            ->assertJsonValidationErrors('composite');
        self::assertNotContains(2, $this->api('GET', '/plans', query: ['site_id' => $site])->json('0.to_pull'));
        $left = count($numbers) - 1;
        $this->api('GET', '/today', query: ['site_id' => $site])->assertJsonFragment([
            'text' => $left === 1 ? 'Pull 8 cores' : "Pull {$left} composites of 8 cores",
        ]);
    }

    public function test_zones_give_a_composite_each_and_must_lie_inside(): void
    {
        $half = static fn (float $west, float $east): array => [
            [[$west, 42.9142], [$east, 42.9142], [$east, 42.9153], [$west, 42.9153], [$west, 42.9142]],
        ];
        $zones = ['type' => 'MultiPolygon', 'coordinates' => [$half(-76.2819, -76.2811), $half(-76.2809, -76.2801)]];
        $this->save(['zones' => $zones])
            ->assertCreated()
            ->assertJsonCount(2, 'layout.composites')
            ->assertJsonCount(24, 'layout.cores')
            ->assertJsonPath(
                'layout.composites.1.outline',
                static fn (array $rings): bool => abs($rings[0][0][0] - -76.2809) < 1e-6 && count($rings) === 1,
            );
        $zones['coordinates'][1] = $half(-76.2809, -76.279);

        $this->save(['zones' => $zones])
            ->assertStatus(422)
            ->assertJsonPath(
                'message',
                static fn (string $words): bool => str_contains($words, 'zone 2: it reaches over the boundary'),
            );
    }

    public function test_rows_of_30_inches_count_as_the_trade_does(): void
    {
        $plan = $this->save([
            'pattern' => 'rows',
            'cores' => 18,
            'rows' => ['spacing_m' => 0.762, 'bearing_deg' => 90],
        ])->assertCreated();

        self::assertSame(['per_transect' => 6, 'between_for_each_in_band' => 20], $plan->json('layout.rows'));
    }

    public function test_the_walk_starts_at_the_gate_at_a_persons_own_pace(): void
    {
        $gate = [-76.2801, 42.9154];
        $plan = $this->save([
            'pattern' => 'random',
            'start' => $gate,
            'speed_km_per_h' => 2,
            'seconds_per_core' => 60,
        ])->assertCreated();
        $first = $plan->json('layout.cores.0');

        self::assertNotNull($first['leg_m']);
        self::assertEqualsWithDelta(
            ($plan->json('layout.walk_m') / 1000 / 2) * 60 + 12,
            $plan->json('layout.minutes'),
            1e-6,
        );
    }

    public function test_an_areas_own_earlier_spread_goes_before_the_usual_one(): void
    {
        $area = $this->area();
        $this->api('POST', '/areas/{area}/plans/draft', self::SPEC, ['area' => $area->id])->assertJsonPath(
            'margin.source',
            'usual',
        );
        foreach (['5.80', '6.10', '6.40'] as $ph) {
            $this->read($this->sample($area), 'lab-ph', $ph);
        }
        $draft = $this->api('POST', '/areas/{area}/plans/draft', self::SPEC, ['area' => $area->id]);

        self::assertSame(['earlier', 3], [$draft->json('margin.source'), $draft->json('margin.composites')]);
        self::assertEqualsWithDelta(sqrt((0.09 - 0.06 ** 2) * 12), $draft->json('margin.sd'), 1e-9);
        $this->api('POST', '/areas/{area}/plans/draft', ['ph_sd' => 0.2] + self::SPEC, [
            'area' => $area->id,
        ])->assertJsonPath('margin.source', 'stated');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'layers that overlap' => [['layers' => ['0-6in', '4-8in']], 'overlap'];
        yield 'no layer' => [['layers' => []], 'layers'];
        yield 'a layer in words' => [['layers' => ['deep']], 'is no layer'];
        yield 'cells of no size' => [['cell_acres' => 0], 'cell acres'];
        yield 'rows too wide' => [
            ['pattern' => 'rows', 'rows' => ['spacing_m' => 50, 'bearing_deg' => 0]],
            'spacing of the rows',
        ];
        yield 'zones that are none' => [['zones' => ['type' => 'Point', 'coordinates' => [1, 2]]], 'Point'];
        yield 'half a place' => [['start' => [1]], 'start'];
        yield 'a standing walk' => [['speed_km_per_h' => 0], 'speed'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(array $change, string $words): void
    {
        self::assertStringContainsString($words, (string) $this->save($change)->assertStatus(422)->getContent());
    }

    /** @return TestResponse<Response> */
    private function save(mixed $change): TestResponse
    {
        $area = \App\Models\Area::query()->first() ?? $this->area();

        return $this->api('POST', '/areas/{area}/plans', (array) $change + self::SPEC, ['area' => $area->id]);
    }

    public function test_quality_control_doubles_composites_with_cores_of_their_own_and_says_what_it_costs_and_buys(): void
    {
        $area = $this->area();
        $spec = ['cell_acres' => 1.0, 'quality' => ['duplicates' => 2, 'hidden' => 1]] + self::SPEC;
        $plain = $this->api('POST', '/areas/{area}/plans/draft', ['quality' => null] + $spec, [
            'area' => $area->id,
        ])->assertOk();
        $draft = $this->api('POST', '/areas/{area}/plans/draft', $spec, ['area' => $area->id])->assertOk();
        $own = count($plain->json('composites'));
        self::assertSame(
            $plain->json('composites'),
            array_slice($draft->json('composites'), 0, $own),
            'the plan itself stays as it was',
        );
        self::assertCount($own + 2, $draft->json('composites'));
        $double = $draft->json('composites')[$own];
        $of = $plain->json('composites')[$double['duplicate_of'] - 1];
        self::assertSame([$of['outline'], $of['cores']], [$double['outline'], $double['cores']]);
        $places = static fn (array $cores, int $number): array => array_map(
            static fn (array $core): array => [$core['longitude'], $core['latitude']],
            array_values(array_filter($cores, static fn (array $core): bool => $core['composite'] === $number)),
        );
        self::assertSame(
            [],
            array_uintersect(
                $places($draft->json('cores'), $of['number']),
                $places($draft->json('cores'), $double['number']),
                static fn (array $a, array $b): int => $a <=> $b,
            ),
            'no core is pulled twice',
        );
        self::assertSame(
            [2, 1, 3],
            [
                $draft->json('quality.duplicates'),
                count($draft->json('quality.hidden')),
                $draft->json('quality.samples'),
            ],
        );
        self::assertGreaterThan($plain->json('minutes'), $draft->json('minutes'));
        self::assertStringContainsString(
            '2 pairs: the spread of sampling and lab together is known only within a factor of',
            $draft->json('quality.words.0'),
        );
        $this->api('POST', '/areas/{area}/plans/draft', ['quality' => ['duplicates' => -1, 'hidden' => 0]] + $spec, [
            'area' => $area->id,
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors('quality.duplicates');

        $plan = $this->api('POST', '/areas/{area}/plans', $spec, ['area' => $area->id])->assertCreated();
        self::assertSame($draft->json('quality'), $plan->json('layout.quality'));
        $hidden = $plan->json('layout.quality.hidden.0');
        $sample = $this->api(
            'POST',
            '/plans/{plan}/samples',
            [
                'composite' => $hidden,
                'pulled_on' => '2026-09-01',
                'pulled_by' => 'Ada Fenwright',
                'cores_pulled' => 12,
                'note' => '',
            ],
            ['plan' => $plan->json('id')],
        )->assertCreated();
        self::assertSame(['lab', 'bench', 'hidden'], array_column($sample->json('samples.0.portions'), 'kind'));
    }
}
