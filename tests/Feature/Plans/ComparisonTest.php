<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use App\Actions\Plans\SavePlan;
use App\Actions\Samples\PullComposite;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

final class ComparisonTest extends ApiTestCase
{
    private const INPUT = [
        'ground' => 'stated',
        'mean_ph' => 6.0,
        'sd_ph' => 0.4,
        'range_m' => 60,
        'fields' => 12,
        'seed' => 4,
        'cores_in_composite' => 20,
        'cores_in_cell' => 10,
        'stakes' => [],
        'results' => '',
    ];

    public function test_six_schemes_stand_side_by_side_with_their_error(): void
    {
        $it = $this->compare()->assertOk();

        self::assertSame(
            ['one composite', '3 zones', '10-acre cells', '5-acre cells', '2.5-acre cells', '1-acre cells'],
            array_column($it->json('schemes'), 'name'),
        );
        self::assertCount(1, array_filter($it->json('schemes'), static fn (array $s): bool => $s['best']));
        self::assertSame([12, 4, 6], [$it->json('fields'), $it->json('seed'), (int) $it->json('lime_ph')]);
        self::assertGreaterThan(0, $it->json('schemes.0.total_money.1'));
        self::assertSame(
            $it->json('schemes'),
            $this->compare()->json('schemes'),
            'the same seed gives the same answer',
        );
    }

    public function test_asked_line_by_line_it_tells_how_far_it_is(): void
    {
        $area = $this->area();
        $response = $this->postJson("/api/areas/{$area->id}/comparison", ['fields' => 30] + self::INPUT, [
            'Accept' => 'application/x-ndjson',
        ])->assertOk();
        $lines = array_map(
            static fn (string $line): mixed => json_decode($line, true),
            explode("\n", trim($response->streamedContent())),
        );

        self::assertSame(
            [['done' => 10, 'of' => 30], ['done' => 20, 'of' => 30], ['done' => 30, 'of' => 30]],
            array_slice($lines, 0, 3),
        );
        self::assertCount(6, $lines[3]['result']['schemes']);
    }

    public function test_the_stakes_turn_the_answer(): void
    {
        $dear = $this->compare(['stakes' => ['lab_fee' => 900]]);
        $free = $this->compare(['stakes' => ['lab_fee' => 0, 'wage_per_hour' => 0, 'loss_per_acre_and_ph' => 500]]);
        $best = static fn (TestResponse $r): string => array_values(
            array_filter($r->json('schemes'), static fn (array $s): bool => $s['best']),
        )[0]['name'];

        self::assertSame('one composite', $best($dear));
        self::assertNotSame('one composite', $best($free));
    }

    public function test_earlier_results_may_stand_for_the_ground_or_be_fitted(): void
    {
        $rows = ['longitude,latitude,ph'];
        for ($i = 0; $i < 16; $i++) {
            $rows[] =
                -76.2818 +
                0.0004 * ($i % 4).
                ','.
                (42.9142 + 0.0003 * intdiv($i, 4)).
                ','.
                ($i % 4 < 2 ? 5.4 : 7.4);
        }
        $results = $this->compare(['ground' => 'results', 'results' => implode("\n", $rows)])->assertOk();
        $fitted = $this->compare(['ground' => 'fitted', 'results' => implode("\n", $rows)])->assertOk();

        self::assertSame([16, null], [$results->json('results'), $results->json('model')]);
        self::assertGreaterThan(
            $results->json('schemes.5.missed_acres.0'),
            $results->json('schemes.0.missed_acres.0'),
            'one composite misses what cells find',
        );
        self::assertEqualsWithDelta(6.4, $fitted->json('model.mean'), 1e-9);
        self::assertGreaterThan(0.5, $fitted->json('model.sd'));
    }

    public function test_drawn_zones_take_the_place_of_strips_while_their_boundary_stands(): void
    {
        $area = $this->area();
        $zone = static fn (float $west, float $east): array => [
            [[$west, 42.9142], [$east, 42.9142], [$east, 42.9153], [$west, 42.9153], [$west, 42.9142]],
        ];
        $zones = ['type' => 'MultiPolygon', 'coordinates' => [$zone(-76.2819, -76.2816), $zone(-76.2814, -76.2801)]];
        app(SavePlan::class)->new($area, $this->technician, self::spec(['zones' => $zones]));
        $it = $this->compare()->assertOk();
        self::assertSame(
            ['2 drawn zones', 2, 40],
            [$it->json('schemes.1.name'), $it->json('schemes.1.samples'), $it->json('schemes.1.cores')],
        );

        $area
            ->refresh()
            ->update([
                'boundary' => [
                    'type' => 'Polygon',
                    'coordinates' => [
                        [
                            [-76.282, 42.914],
                            [-76.281, 42.914],
                            [-76.281, 42.9155],
                            [-76.282, 42.9155],
                            [-76.282, 42.914],
                        ],
                    ],
                ],
            ]);
        self::assertSame('3 zones', $this->compare()->assertOk()->json('schemes.1.name'));
    }

    public function test_a_plan_by_cell_gives_its_own_results_each_where_it_was_pulled(): void
    {
        $area = $this->area();
        $this->pair($area, '5.5', '5.40');
        $none = $this->api('GET', '/areas/{area}/located-results', ids: ['area' => $area->id])->assertOk()->json();
        self::assertSame(
            ['year' => null, 'rows' => []],
            $none,
            'one composite of all the area has no place of its own',
        );

        $plan = app(SavePlan::class)
            ->new(
                $area,
                $this->technician,
                self::spec(['cell_acres' => 1.25, 'pattern' => 'random', 'layers' => ['0-2in', '2-6in']]),
            )
            ->refresh();
        foreach (range(1, count($plan->layout->composites)) as $number) {
            $samples = app(PullComposite::class)(
                $plan,
                $this->technician,
                [
                    'composite' => $number,
                    'pulled_on' => '2026-09-01',
                    'pulled_by' => 'Ada Fenwright',
                    'cores_pulled' => 12,
                    'note' => '',
                    'submission' => null,
                ],
                [],
            );
            $this->read($samples[0], 'lab-ph', '5.'.$number.'0');
            $this->read($samples[1], 'lab-ph', '7.00');
        }
        $own = $this->api('GET', '/areas/{area}/located-results', ids: ['area' => $area->id])->assertOk()->json();
        self::assertSame([2026, count($plan->layout->composites)], [$own['year'], count($own['rows'])]);
        foreach ($own['rows'] as $i => $row) {
            self::assertEqualsWithDelta(5.0 + ($i + 1) / 10, $row['ph'], 1e-9, 'the upper layer alone');
            [$northWest, , $southEast] = $plan->layout->composites[$i]->outline[0];
            self::assertTrue(
                $row['longitude'] > $northWest[0] &&
                    $row['longitude'] < $southEast[0] &&
                    $row['latitude'] < $northWest[1] &&
                    $row['latitude'] > $southEast[1],
            );
        }
        $csv =
            "longitude,latitude,ph\n".
            implode(
                "\n",
                array_map(
                    static fn (array $row): string => "{$row['longitude']},{$row['latitude']},{$row['ph']}",
                    $own['rows'],
                ),
            );
        self::assertSame(
            count($own['rows']),
            $this->compare(['ground' => 'results', 'results' => $csv])
                ->assertOk()
                ->json('results'),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'a spread below nothing' => [['sd_ph' => -1], 'errors.sd_ph.0'];
        yield 'no range' => [['range_m' => 0], 'errors.range_m.0'];
        yield 'too many fields' => [['fields' => 5000], 'errors.fields.0'];
        yield 'no results' => [['ground' => 'results'], 'errors.results.0'];
        yield 'results in words' => [['ground' => 'results', 'results' => "longitude,latitude,ph\na,b,c\n"], 'message'];
        yield 'a stake in words' => [['stakes' => ['lab_fee' => 'dear']], 'message'];
        yield 'too few to fit' => [
            ['ground' => 'fitted', 'results' => "longitude,latitude,ph\n1,2,6\n1,3,6\n2,2,6\n"],
            'message',
        ];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(array $change, string $where): void
    {
        self::assertNotEmpty($this->compare($change)->assertStatus(422)->json($where));
    }

    /**
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function compare(array $change = []): TestResponse
    {
        $area = \App\Models\Area::query()->first() ?? $this->area();

        return $this->api('POST', '/areas/{area}/comparison', $change + self::INPUT, ['area' => $area->id]);
    }
}
