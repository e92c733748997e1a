<?php

declare(strict_types=1);

namespace Tests\Feature\Labs;

use App\Models\Consignment;
use App\Models\DeliveredReport;
use App\Models\Lab;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request as ClientRequest;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;
use Tests\Support\StandInProcess;

/**
 * Labs, consignments, and what becomes of them, by hand and over the interface of a simulated lab in a process of its own.
 */
final class ConsignmentsTest extends ApiTestCase
{
    private const LAB = [
        'name' => 'Marl Laboratory',
        'address' => '2 Quarry Lane',
        'email' => 'desk@marl.example',
        'turnaround_days' => 8,
        'transit_days' => 2,
        'holidays' => ['2026-09-07'],
        'bag_ml' => 400,
        'quarantine' => '',
        'tests' => [
            [
                'code' => 'ph',
                'name' => 'pH in water',
                'method' => '1:1',
                'extractant' => 'water',
                'unit' => 'pH',
                'fee_cents' => 900,
                'needs_ml' => 100,
                'depth' => '0-6in',
                'outside' => null,
            ],
            [
                'code' => 'mehlich',
                'name' => 'Mehlich buffer pH',
                'method' => null,
                'extractant' => null,
                'unit' => 'pH',
                'fee_cents' => 350,
                'needs_ml' => 50,
                'depth' => '0-6in',
                'outside' => null,
            ],
            [
                'code' => 'lead',
                'name' => 'lead',
                'method' => null,
                'extractant' => null,
                'unit' => 'ppm',
                'fee_cents' => 3000,
                'needs_ml' => 100,
                'depth' => null,
                'outside' => 'LEAD TEST',
            ],
        ],
        'form' => [['label' => 'Crop wanted', 'required' => true], ['label' => 'Last limed', 'required' => false]],
        'columns' => [
            ['column' => 'Sample ID', 'field' => 'code'],
            ['column' => 'Depth', 'field' => 'depth'],
            ['column' => 'Tests', 'field' => 'tests'],
            ['column' => 'Field', 'field' => 'area'],
        ],
        'service' => true,
    ];

    private ?StandInProcess $standIn = null;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-01 18:00:00');
    }

    protected function tearDown(): void
    {
        $this->standIn?->stop();
        parent::tearDown();
    }

    public function test_a_consignment_costs_what_its_tests_cost_and_is_warned_of_what_is_missing(): void
    {
        $lab = $this->consigned();
        $portion = $this->dry($this->sample());
        $portion->update(['volume_ml' => 120]);
        $draft = $this->draft($lab, [['code' => $portion->code, 'tests' => ['ph', 'mehlich', 'lead']]])->assertOk();

        self::assertSame(4250, $draft->json('fee_cents'));
        self::assertSame(['volume', 'form', 'outside'], array_column($draft->json('warnings'), 'code'));
        // 1 Sept 2026 is a Tuesday; there on the 3rd, then 8 working days, Labor Day left out.
        self::assertSame('2026-09-16', $draft->json('expected_on'));
        self::assertSame(
            [0, 'split'],
            [Consignment::query()->count(), Portion::query()->where('kind', 'bench')->sole()->state],
        );
    }

    public function test_packed_sent_and_received_by_hand_the_consignment_follows_its_portions(): void
    {
        $lab = $this->consigned(['service' => false]);
        $area = $this->area();
        [$one, $two] = [$this->dry($this->sample($area)), $this->dry($this->sample($area))];
        $submission = Str::uuid()->toString();
        $packed = $this->pack($lab, [$one, $two], $submission)->assertCreated();
        $this->pack($lab, [$one, $two], $submission)
            ->assertOk()
            ->assertJsonPath('id', $packed->json('id'));
        self::assertSame(['packed', 'Consignment 1, for Marl Laboratory'], [$one->refresh()->state, $one->place]);
        $ids = ['consignment' => $packed->json('id')];
        $this->step('unpacked', [$two->code]);
        $this->api('GET', '/consignments/{consignment}', ids: $ids)->assertJsonCount(1, 'contents');
        $this->pack($lab, [$one], Str::uuid()->toString())->assertStatus(422);

        $sent = $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => 'Fen post', 'at' => now()->toIso8601ZuluString()],
            $ids,
        )->assertOk();
        self::assertSame(
            ['sent', '2026-09-16', false],
            [$sent->json('state'), $sent->json('expected_on'), $sent->json('announced')],
        );
        $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => 'Fen post', 'at' => now()->toIso8601ZuluString()],
            $ids,
        )->assertStatus(409);
        $this->step('arrived', [$one->code]);
        self::assertSame('arrived', Consignment::query()->sole()->state);
        $this->step('reported', [$one->code]);
        self::assertSame('reported', Consignment::query()->sole()->state);
        self::assertStringContainsString(
            'went without an interface',
            $this->api('POST', '/consignments/{consignment}/ask', ids: $ids)->assertStatus(409)->json('message'),
        );
    }

    public function test_a_late_consignment_rises_on_today_with_an_enquiry_until_the_lab_was_asked(): void
    {
        $lab = $this->consigned(['service' => false]);
        $portion = $this->dry($this->sample());
        $ids = ['consignment' => (int) $this->pack($lab, [$portion])->json('id')];
        $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
            $ids,
        );
        $site = $portion->sample->site_id ?? 0;
        $late = fn (): TestResponse => $this->api('GET', '/today', query: ['site_id' => $site]);
        Carbon::setTestNow('2026-09-16 18:00:00');
        self::assertNotContains('late', array_column($late()->json('due'), 'kind'));
        Carbon::setTestNow('2026-09-21 18:00:00');
        self::assertSame(
            [true, 'Consignment 1 is 3 working days late: ask the lab'],
            array_values(
                array_intersect_key((array) collect((array) $late()->json('due'))->firstWhere('kind', 'late'), [
                    'text' => 0,
                    'urgent' => 0,
                ]),
            ),
        );
        $letter = $this->api('GET', '/consignments/{consignment}', ids: $ids)->json('enquiry');
        foreach (
            ['To Marl Laboratory', '1 September 2026', $portion->code, '3 working days ago', 'Ada Fenwright'] as $words
        ) {
            self::assertStringContainsString($words, $letter);
        }
        $this->api('POST', '/consignments/{consignment}/enquiry', ids: $ids)
            ->assertOk()
            ->assertJsonPath('asked_on', '2026-09-21');
        self::assertContains(
            ['late', false],
            array_map(static fn (array $one): array => [$one['kind'], $one['urgent']], $late()->json('due')),
        );
    }

    public function test_the_list_is_in_the_labs_columns_and_gives_no_duplicate_away(): void
    {
        $lab = $this->consigned();
        $sample = $this->sample($this->area(name: '=Sedge "low"'));
        $portion = $this->dry($sample);
        $hidden = $this->api(
            'POST',
            '/samples/{sample}/portions',
            [
                'kind' => 'hidden',
                'volume_ml' => 200,
                'tests' => ['ph'],
                'at' => now()->toIso8601ZuluString(),
                'dry' => true,
            ],
            ['sample' => $sample->id],
        )->json('portions.2.code');
        $packed = $this->pack($lab, [$portion, Portion::query()->where('code', $hidden)->firstOrFail()]);
        $lines = explode(
            "\r\n",
            trim(
                (string) $this->get("/api/consignments/{$packed->json('id')}/list.csv")
                    ->assertOk()
                    ->getContent(),
            ),
        );

        self::assertSame('Sample ID,Depth,Tests,Field', $lines[0]);
        self::assertSame("{$portion->code},0-6in,pH in water,\"'=Sedge \"\"low\"\"\"", $lines[1]);
        self::assertSame("{$hidden},0-6in,pH in water,\"'=Sedge \"\"low\"\"\"", $lines[2]);
        self::assertStringNotContainsString('hidden', implode($lines));
    }

    public function test_over_the_interface_of_a_lab_from_the_courier_to_the_report(): void
    {
        $this->simulated();
        $lab = $this->consigned();
        $sample = $this->sample();
        $portion = $this->dry($sample);
        $hidden = $this->api(
            'POST',
            '/samples/{sample}/portions',
            [
                'kind' => 'hidden',
                'volume_ml' => 200,
                'tests' => ['ph'],
                'at' => now()->toIso8601ZuluString(),
                'dry' => true,
            ],
            ['sample' => $sample->id],
        )->json('portions.2.code');
        $soil = $this->api('POST', '/check-soils', [
            'name' => 'Loess',
            'known' => ['ph' => ['value' => 6.2, 'uncertainty' => 0.1]],
            'note' => '',
        ])->json('id');
        $check = $this->api(
            'POST',
            '/sites/{site}/check-portions',
            ['check_soil_id' => $soil, 'volume_ml' => 200, 'tests' => ['ph'], 'at' => now()->toIso8601ZuluString()],
            ['site' => $sample->site_id],
        )->json('code');
        $ids = [
            'consignment' => (int) $this->pack(
                $lab,
                Portion::query()
                    ->whereIn('code', [$portion->code, $hidden, $check])
                    ->orderBy('id')
                    ->get()
                    ->all(),
            )->json('id'),
        ];
        $this->api('POST', '/simulation', ['slip' => 'none', 'shape' => 'table'])
            ->assertOk()
            ->assertJsonPath('word', 'The next consignment will be measured as it should be.');
        $sent = $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => 'Fen post', 'at' => now()->toIso8601ZuluString()],
            $ids,
        )->assertOk();
        self::assertSame([true, true], [$sent->json('announced'), $sent->json('simulated')]);
        $seen = [];
        foreach ([0, 1, 1, 1, 14] as $days) {
            $days === 0 || $this->api('POST', '/simulation', ['advance_days' => $days])->assertOk();
            $this->travel(1)->hours();
            $seen[] = $this->api('POST', '/consignments/{consignment}/ask', ids: $ids)->assertOk()->json('state');
        }
        self::assertSame('sent', $seen[0]);
        self::assertSame('reported', $seen[4]);
        self::assertContains('arrived', $seen);
        $this->api('POST', '/consignments/{consignment}/ask', ids: $ids)->assertOk();
        $report = DeliveredReport::query()->sole();
        $rows = array_column(array_map(str_getcsv(...), explode("\n", trim($report->content))), 1, 0);
        self::assertEqualsWithDelta((float) $rows[$portion->code], (float) $rows[$hidden], 0.3, 'the same soil');
        self::assertEqualsWithDelta(6.2, (float) $rows[$check], 0.25, 'the known value, but for noise of 0.05');
        self::assertSame(
            $report->content,
            $this->get("/api/consignments/{$ids['consignment']}/reports/{$report->id}")
                ->assertOk()
                ->getContent(),
        );
        self::assertStringStartsWith("sample,pH (1:1 water)\n", $report->content);
        self::assertSame(0, Reading::query()->count(), 'a report is kept as it came, not taken yet');
    }

    public function test_one_is_lost_or_delayed_when_told_and_a_dead_interface_changes_nothing(): void
    {
        $standIn = $this->simulated();
        $lab = $this->consigned();
        $area = $this->area();
        $consignment = fn (): array => [
            'consignment' => (int) $this->pack($lab, [$this->dry($this->sample($area))])->json('id'),
        ];
        $send = fn (array $ids): TestResponse => $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
            $ids,
        );
        [$lost, $delayed, $dead] = [$consignment(), $consignment(), $consignment()];
        $send($lost)->assertOk();
        self::assertStringContainsString(
            'is lost',
            $this->api('POST', '/simulation', ['trouble' => 'lose'])->json('word'),
        );
        self::assertStringContainsString(
            'next consignment will be delayed',
            $this->api('POST', '/simulation', ['advance_days' => 1, 'trouble' => 'delay'])->json('word'),
        );
        $send($delayed)->assertOk();
        $this->api('POST', '/simulation', ['advance_days' => 4]);
        self::assertSame(
            'lost',
            $this->api('POST', '/consignments/{consignment}/ask', ids: $lost)->assertOk()->json('state'),
        );
        self::assertContains(
            'Consignment 1 is lost: ask the lab',
            $this->api('GET', '/today', query: ['site_id' => $area->site_id])->json('due.*.text'),
        );
        self::assertStringContainsString(
            'held up',
            $this->api('POST', '/consignments/{consignment}/ask', ids: $delayed)->assertOk()->json('word'),
        );
        $this->api('POST', '/simulation', ['advance_days' => 99])->assertStatus(422);
        $standIn->stop();
        $this->standIn = null;
        self::assertStringContainsString('does not answer', $send($dead)->assertStatus(409)->json('message'));
        self::assertSame('packed', Consignment::query()->findOrFail($dead['consignment'])->state);
    }

    public function test_bad_consignments_and_hand_overs_are_refused_before_anything_is_written_or_announced(): void
    {
        $this->simulated();
        $lab = $this->consigned();
        $portion = $this->dry($this->sample());
        $plain = strtolower(str_replace('-', '', $portion->code));
        foreach (
            [
                [['code' => $portion->code, 'tests' => []], ['code' => $plain, 'tests' => []]],
                [['code' => 'nonsense', 'tests' => []]],
                [['code' => $portion->code, 'tests' => 'ph']],
                [['tests' => []]],
            ] as $portions
        ) {
            $this->api('POST', '/consignments/draft', [
                'lab_id' => $lab->id,
                'portions' => $portions,
                'answers' => [],
            ])->assertStatus(422);
        }
        $this->api('POST', '/consignments/draft', [
            'lab_id' => 999,
            'portions' => [],
            'answers' => [],
        ])->assertNotFound();
        $this->api('POST', '/consignments', [
            'lab_id' => $lab->id,
            'submission' => Str::uuid()->toString(),
            'portions' => [],
            'answers' => [],
        ])->assertStatus(422);
        $ids = ['consignment' => (int) $this->pack($lab, [$portion])->json('id')];
        foreach (['2026-09-01T19:00:00Z', '2026-09-01T17:00:00Z'] as $at) {
            self::assertStringContainsString(
                'accepted is a time of handing over',
                $this->api('POST', '/consignments/{consignment}/send', ['carrier' => '', 'at' => $at], $ids)
                    ->assertStatus(409)
                    ->json('message'),
            );
        }
        $this->api('POST', '/consignments/{consignment}/send', ['carrier' => '', 'at' => 'soon'], $ids)->assertStatus(
            422,
        );
        self::assertSame('packed', Consignment::query()->sole()->state);
        $this->getJson("/api/consignments/{$ids['consignment']}/reports/abc")->assertNotFound();
        $this->getJson("/api/consignments/{$ids['consignment']}/reports/77")->assertNotFound();
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);
        foreach (['send', 'ask', 'enquiry'] as $act) {
            $this->api(
                'POST',
                "/consignments/{consignment}/{$act}",
                $act === 'send' ? ['carrier' => '', 'at' => now()->toIso8601ZuluString()] : null,
                $ids,
            )->assertNotFound();
        }
        $this->getJson("/api/consignments/{$ids['consignment']}/list.csv")->assertNotFound();
    }

    public function test_a_service_that_answers_nonsense_changes_nothing(): void
    {
        $lab = $this->consigned();
        $portion = $this->dry($this->sample());
        $ids = ['consignment' => (int) $this->pack($lab, [$portion])->json('id')];
        config(['app.lab_service' => 'http://lab.example', 'app.lab_service_simulated' => false]);
        foreach ([['ident' => 5], ['id' => 7], 'no json'] as $nonsense) {
            Http::fake(['*' => Http::response($nonsense)]);
            self::assertStringContainsString(
                'makes no sense',
                $this->api(
                    'POST',
                    '/consignments/{consignment}/send',
                    ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
                    $ids,
                )
                    ->assertStatus(409)
                    ->json('message'),
            );
            Http::swap(new Factory());
        }
        Http::fake(['*' => Http::response(['message' => 'We are moving house.'], 503)]);
        self::assertStringContainsString(
            'refused (503): We are moving house.',
            $this->api(
                'POST',
                '/consignments/{consignment}/send',
                ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
                $ids,
            )
                ->assertStatus(409)
                ->json('message'),
        );
        self::assertSame('packed', Consignment::query()->sole()->state);
        Http::swap(new Factory());
        Http::fake([
            '*/consignments' => Http::response(['id' => 'P1'], 201),
            '*/consignments/P1' => Http::response([
                'state' => 'somewhere',
                'word' => 'between two depots',
                'day' => '2026-09-02',
                'reports' => [],
            ]),
        ]);
        $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
            $ids,
        )
            ->assertOk()
            ->assertJsonPath('simulated', false);
        $this->api('POST', '/consignments/{consignment}/ask', ids: $ids)
            ->assertOk()
            ->assertJsonPath('word', 'between two depots')
            ->assertJsonPath('state', 'sent');
        Http::assertSent(
            static fn (ClientRequest $request): bool => $request->method() !== 'POST' ||
                array_keys($request['portions'][0]) === ['code', 'tests'],
        );
        Http::assertNotSent(
            static fn (ClientRequest $request): bool => str_ends_with($request->url(), '/soils'),
        );
        $this->api('POST', '/simulation', ['advance_days' => 1])->assertStatus(409);
    }

    public function test_labs_are_added_and_changed_and_bad_ones_refused_by_field(): void
    {
        $made = $this->api('POST', '/labs', self::LAB)->assertCreated();
        $this->api('PUT', '/labs/{lab}', ['turnaround_days' => 10] + self::LAB, ['lab' => $made->json('id')])
            ->assertOk()
            ->assertJsonPath('turnaround_days', 10);
        $this->api('GET', '/labs')->assertOk()->assertJsonCount(1, 'labs')->assertJsonPath('service.there', false);
        $test = self::LAB['tests'][0];
        foreach (
            [
                ['name' => 'Marl Laboratory', 'name'],
                ['turnaround_days' => 0, 'turnaround_days'],
                ['tests' => [], 'tests'],
                ['tests' => [['depth' => 'deep'] + $test], 'tests.0.depth'],
                ['tests' => [['code' => 'P H'] + $test], 'tests.0.code'],
                ['holidays' => ['Easter'], 'holidays.0'],
                ['columns' => [['column' => 'A', 'field' => 'password']], 'columns.0.field'],
            ] as $bad
        ) {
            $field = (string) $bad[0];
            unset($bad[0]);
            $this->api('POST', '/labs', $bad + ['name' => 'Another lab'] + self::LAB)
                ->assertStatus(422)
                ->assertJsonValidationErrors($field);
        }
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger)
            ->api('PUT', '/labs/{lab}', self::LAB, ['lab' => $made->json('id')])
            ->assertNotFound();
    }

    /** @param array<string, mixed> $change */
    private function consigned(array $change = []): Lab
    {
        $lab = $change + self::LAB;
        $lab['tests'] = array_map(
            static fn (array $test): array => array_map(
                static fn (mixed $value): mixed => $value ?? '',
                array_diff_key($test, ['depth' => 0]),
            ) + ['depth' => $test['depth']],
            self::LAB['tests'],
        );

        return Lab::query()->create($lab)->refresh();
    }

    private function simulated(): StandInProcess
    {
        $this->standIn = StandInProcess::start();
        config(['app.lab_service' => $this->standIn->address, 'app.lab_service_simulated' => true]);

        return $this->standIn;
    }

    private function dry(Sample $sample): Portion
    {
        $portion = $sample->portions()->where('kind', 'lab')->firstOrFail();
        $this->step('drying', [$portion->code]);
        $this->step('dried', [$portion->code]);

        return $portion->refresh();
    }

    /**
     * @param list<string> $codes
     * @return TestResponse<Response>
     */
    private function step(string $step, array $codes): TestResponse
    {
        return $this->api('POST', '/custody-steps', [
            'submission' => Str::uuid()->toString(),
            'codes' => $codes,
            'step' => $step,
            'at' => now()->toIso8601ZuluString(),
            'place' => null,
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ]);
    }

    /**
     * @param list<array{code: string, tests: list<string>}> $portions
     * @return TestResponse<Response>
     */
    private function draft(Lab $lab, array $portions): TestResponse
    {
        return $this->api('POST', '/consignments/draft', [
            'lab_id' => $lab->id,
            'portions' => $portions,
            'answers' => [],
        ]);
    }

    /**
     * @param array<Portion> $portions
     * @return TestResponse<Response>
     */
    private function pack(Lab $lab, array $portions, ?string $submission = null): TestResponse
    {
        return $this->api('POST', '/consignments', [
            'lab_id' => $lab->id,
            'submission' => $submission ?? Str::uuid()->toString(),
            'answers' => [['label' => 'Crop wanted', 'value' => 'hay']],
            'portions' => array_values(
                array_map(
                    static fn (Portion $portion): array => ['code' => $portion->code, 'tests' => ['ph']],
                    $portions,
                ),
            ),
        ]);
    }
}
