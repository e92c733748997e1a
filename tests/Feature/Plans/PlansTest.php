<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use App\Models\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

final class PlansTest extends ApiTestCase
{
    public function test_a_draft_lays_cores_out_and_stores_nothing(): void
    {
        $layout = $this->api('POST', '/areas/{area}/plans/draft', self::SPEC, [
            'area' => $this->area()->id,
        ])->assertOk();

        self::assertCount(12, $layout->json('cores'));
        self::assertNull($layout->json('cores.0.leg_m'));
        self::assertEqualsWithDelta(
            array_sum(array_column($layout->json('cores'), 'leg_m')),
            $layout->json('walk_m'),
            0.01,
        );
        self::assertEqualsWithDelta(((12 * M_PI) / 4) * 1.9 ** 2 * 15.24, $layout->json('bucket.composite_ml'), 1e-6);
        self::assertEqualsWithDelta(
            (2.200985 * 0.4) / sqrt(12),
            $layout->json('margin.ph'),
            1e-5,
            't(0.975, 11) from R',
        );
        self::assertSame(0, Plan::query()->count());
    }

    public function test_a_road_takes_ground_away(): void
    {
        $area = $this->area();
        $road = $area->site->landmarks()->create([
            'name' => 'Mill Lane',
            'geometry' => ['type' => 'LineString', 'coordinates' => [[-76.282, 42.913], [-76.282, 42.917]]],
            'distance_m' => 40,
        ]);
        $without = $this->api('POST', '/areas/{area}/plans/draft', self::SPEC, ['area' => $area->id])->json(
            'usable_m2',
        );
        $with = $this->api(
            'POST',
            '/areas/{area}/plans/draft',
            ['keep_away' => [['landmark_id' => $road->id, 'distance_m' => 60]]] + self::SPEC,
            ['area' => $area->id],
        );

        self::assertEqualsWithDelta(
            55 * 156,
            $without - $with->json('usable_m2'),
            150,
            'a strip of 60 m less the 5 m margin',
        );
        foreach ($with->json('cores') as $core) {
            self::assertGreaterThan(-76.282 + 60 / 81_700, $core['longitude']);
        }
    }

    /** Left out in silence, the cores would be laid out too near to it. */
    public function test_a_landmark_that_is_gone_or_of_another_site_is_refused(): void
    {
        $area = $this->area();
        $mark = [
            'name' => 'Mill Lane',
            'geometry' => ['type' => 'LineString', 'coordinates' => [[-76.282, 42.913], [-76.282, 42.917]]],
            'distance_m' => 40,
        ];
        $gone = $area->site->landmarks()->create($mark);
        $gone->delete();
        $foreign = $this->site('ZZ')->landmarks()->create($mark);
        foreach ([$gone->id, $foreign->id] as $id) {
            $answer = $this->api(
                'POST',
                '/areas/{area}/plans',
                ['keep_away' => [['landmark_id' => $id, 'distance_m' => 60]]] + self::SPEC,
                ['area' => $area->id],
            )->assertStatus(422);
            self::assertStringContainsString(
                'not among the landmarks of its site any more',
                (string) json_encode($answer->json('errors')),
            );
        }
        self::assertSame(0, Plan::query()->count());
    }

    public function test_no_message_speaks_of_the_options_of_a_command(): void
    {
        $answer = $this->api('POST', '/areas/{area}/plans', ['layers' => ['sixish']] + self::SPEC, [
            'area' => $this->area()->id,
        ])->assertStatus(422);

        self::assertStringContainsString('is no layer', (string) $answer->getContent());
        self::assertStringNotContainsString('--', (string) $answer->getContent());
    }

    public function test_opened_again_it_is_the_same_plan(): void
    {
        $area = $this->area();
        $saved = $this->api('POST', '/areas/{area}/plans', ['pattern' => 'random'] + self::SPEC, [
            'area' => $area->id,
        ])->assertCreated();
        $opened = $this->api('GET', '/plans/{plan}', ids: ['plan' => $saved->json('id')])->assertOk();
        $drafted = $this->api('POST', '/areas/{area}/plans/draft', ['pattern' => 'random'] + self::SPEC, [
            'area' => $area->id,
        ]);

        self::assertSame($saved->json('layout'), $opened->json('layout'));
        self::assertSame($drafted->json('cores'), $opened->json('layout.cores'));
        self::assertSame(3, $opened->json('spec.seed'));
    }

    public function test_a_plan_keeps_its_boundary_and_says_when_the_area_has_moved_on(): void
    {
        $plan = $this->plan();
        $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])->assertJsonPath('boundary_moved', false);
        $moved = self::SQUARE;
        $moved['coordinates'][0][1][0] = -76.2805;
        $this->api(
            'PUT',
            '/areas/{area}',
            ['name' => 'Sedge meadow', 'use' => 'pasture', 'history' => '', 'boundary' => $moved],
            ['area' => $plan->area_id],
        )->assertOk();

        $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])
            ->assertJsonPath('boundary_moved', true)
            ->assertJsonPath('boundary', self::SQUARE);
    }

    public function test_a_plan_can_be_changed_until_it_is_pulled(): void
    {
        $plan = $this->plan();
        $this->api('PUT', '/plans/{plan}', ['cores' => 20] + self::SPEC, ['plan' => $plan->id])
            ->assertOk()
            ->assertJsonCount(20, 'layout.cores');
        $this->api(
            'POST',
            '/plans/{plan}/samples',
            ['pulled_on' => '2026-09-01', 'pulled_by' => 'Ada', 'cores_pulled' => 20, 'note' => ''],
            ['plan' => $plan->id],
        )->assertCreated();
        $this->api('PUT', '/plans/{plan}', ['cores' => 5] + self::SPEC, ['plan' => $plan->id])->assertStatus(409);

        self::assertSame(20, $plan->refresh()->spec->cores);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'one core' => [['cores' => 1], 'errors.cores.0'];
        yield 'half a core' => [['cores' => 2.5], 'errors.cores.0'];
        yield 'a word' => [['edge_m' => 'wide'], 'errors.edge_m.0'];
        yield 'a pattern nobody walks' => [['pattern' => 'spiral'], 'errors.pattern.0'];
        yield 'a layer upside down' => [['layers' => ['6-0in']], 'message'];
        yield 'a margin that eats the ground' => [['edge_m' => 500], 'message'];
        yield 'no list' => [['keep_away' => 'road'], 'errors.keep_away.0'];
        yield 'a distance below nothing' => [['keep_away' => [['landmark_id' => 1, 'distance_m' => -5]]], 'message'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(array $change, string $where): void
    {
        $response = $this->api('POST', '/areas/{area}/plans', $change + self::SPEC, [
            'area' => $this->area()->id,
        ])->assertStatus(422);

        self::assertNotEmpty($response->json($where));
        self::assertSame(0, Plan::query()->count());
    }

    public function test_plans_are_listed_newest_first(): void
    {
        $area = $this->area();
        [$first, $second] = [$this->plan($area), $this->plan($area)];

        $this->api('GET', '/plans', query: ['site_id' => $area->site_id])
            ->assertOk()
            ->assertJsonPath('0.id', $second->id)
            ->assertJsonPath('1.id', $first->id)
            ->assertJsonPath('0.samples', []);
    }
}
