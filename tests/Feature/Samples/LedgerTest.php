<?php

declare(strict_types=1);

namespace Tests\Feature\Samples;

use App\Actions\Samples\PullComposite;
use App\Models\Sample;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\ApiTestCase;

/** The season's ledger, and what is due over all sites. */
final class LedgerTest extends ApiTestCase
{
    public function test_it_comes_page_by_page_newest_first_and_every_fact_narrows_it(): void
    {
        Carbon::setTestNow('2026-09-01 18:00:00');
        $site = $this->site();
        $meadow = $this->area($site);
        $first = $this->sample($meadow, '2025-04-01');
        $second = $this->sample($this->area($site, name: 'Alder strip'), '2026-08-30');
        $third = app(PullComposite::class)(
            $this->plan($meadow),
            $this->technician,
            [
                'composite' => 1,
                'pulled_on' => '2026-09-01',
                'pulled_by' => 'Nell',
                'cores_pulled' => 9,
                'note' => '',
                'submission' => null,
            ],
            [],
        )[0];
        $this->read($second, 'lab-ph', '6.1');
        $this->api('POST', '/custody-steps', [
            'submission' => Str::uuid()->toString(),
            'codes' => [$third->portions()->where('kind', 'bench')->value('code')],
            'step' => 'drying',
            'at' => now()->toIso8601ZuluString(),
            'place' => null,
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ]);
        $of = fn (array $query): array => array_column(
            $this->api('GET', '/ledger', query: $query)->assertOk()->json('rows'),
            'code',
        );

        self::assertSame([$third->code, $second->code, $first->code], $of([]));
        foreach (
            [
                [['year' => 2025], [$first]],
                [['area_id' => $meadow->id], [$third, $first]],
                [['state' => 'drying'], [$third]],
                [['kind' => 'lab', 'state' => 'drying'], []],
                [['read' => 'lab'], [$second]],
                [['read' => 'no_lab'], [$third, $first]],
                [['deviates' => '1'], [$third]],
                [['q' => 'alder'], [$second]],
                [['q' => 'nell'], [$third]],
                [['q' => substr($first->code, 0, 7)], [$first]],
                [['from' => '2026-08-30', 'to' => '2026-08-31'], [$second]],
                [['q' => '%'], []],
            ] as [$query, $samples]
        ) {
            self::assertSame(
                array_map(static fn (Sample $sample): string => $sample->code, $samples),
                $of($query),
                (string) json_encode($query),
            );
        }
        $row = $this->api('GET', '/ledger', query: ['state' => 'drying'])->json('rows.0');
        self::assertSame(['9 cores of 12'], $row['deviations']);
        self::assertSame(['split', 'drying'], array_keys($row['portions'][1]['way']));
        $csv = explode("\r\n", trim($this->get('/api/ledger.csv?state=drying')->assertOk()->streamedContent()));
        self::assertCount(3, $csv);
        self::assertStringContainsString(
            "{$third->code},Fen End,Sedge meadow,0-6in,2026-09-01,Nell,9,12,9 cores of 12,",
            $csv[1],
        );
        // The phone says how a composite was pulled also when all went as planned: that is no deviation.
        $this->api(
            'POST',
            '/plans/{plan}/samples',
            [
                'pulled_on' => '2024-05-01',
                'pulled_by' => 'Ada',
                'cores_pulled' => 12,
                'note' => '',
                'conditions' => ['tool' => 'probe', 'moisture' => 'moist'],
            ],
            ['plan' => $this->plan($meadow)->id],
        )
            ->assertCreated()
            ->assertJsonPath('samples.0.deviations', []);
        self::assertSame([$third->code], $of(['deviates' => '1']));
        $this->api('GET', '/ledger', query: ['page' => 0])->assertStatus(422);
        $this->api('GET', '/ledger', query: ['page' => 9])->assertOk()->assertJsonPath('page', 1)->assertJsonCount(4, 'rows');
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);
        self::assertSame([], $of([]));
    }

    public function test_many_thousand_samples_stay_few_queries_a_page(): void
    {
        $sample = $this->sample();
        $row = (array) DB::table('samples')->find($sample->id);
        foreach (array_chunk(range(2, 2_000), 400) as $numbers) {
            DB::table('samples')->insert(
                array_map(
                    static fn (int $n): array => [
                        'id' => $sample->id + $n,
                        'number' => $n,
                        'code' => "FN26-{$n}-X",
                        'submission' => null,
                    ] + $row,
                    $numbers,
                ),
            );
        }
        $this->computeAhead();
        DB::enableQueryLog();
        $page = $this->api('GET', '/ledger', query: ['page' => 7])->assertOk();

        self::assertSame(
            [2_000, 25, 7, 80],
            [$page->json('total'), count($page->json('rows')), $page->json('page'), $page->json('pages')],
        );
        self::assertLessThan(14, count(DB::getQueryLog()));
        self::assertSame('FN26-1850-X', $page->json('rows.0.code'));
    }

    public function test_what_is_due_over_all_sites(): void
    {
        Carbon::setTestNow('2026-09-01 18:00:00');
        $one = $this->sample($this->area($this->site()));
        $other = $this->area($this->site('GN'), name: 'Far field');
        $plan = $this->plan($other);
        $this->api('PUT', '/plans/{plan}/day', ['pull_on' => '2026-09-04'], ['plan' => $plan->id])
            ->assertOk()
            ->assertJsonPath('pull_on', '2026-09-04');
        $this->api('PUT', '/plans/{plan}/day', ['pull_on' => 'Friday'], ['plan' => $plan->id])->assertStatus(422);
        $due = fn (): array => $this->api('GET', '/today', query: ['site_id' => $one->site_id])->assertOk()->json('due');
        $lab = $one->portions()->where('kind', 'lab')->firstOrFail();

        self::assertSame(
            ['warm', 'warm', 'plan'],
            array_column($due(), 'kind'),
            'two bags to spread within a day, and a plan of the other site',
        );
        self::assertSame(['Pull 12 cores on Friday 4 Sep', 'Far field'], [$due()[2]['text'], $due()[2]['detail']]);
        $this->api(
            'PUT',
            '/portions/{portion}',
            ['tests' => ['nitrate'], 'volume_ml' => null],
            ['portion' => $lab->id],
        );
        self::assertSame("{$lab->code} is getting warm", $due()[0]['text']);
        self::assertTrue($due()[0]['urgent']);
        foreach (['drying', 'frozen'] as $step) {
            $code = $step === 'drying' ? $one->portions()->where('kind', 'bench')->value('code') : $lab->code;
            $this->api('POST', '/custody-steps', [
                'submission' => Str::uuid()->toString(),
                'codes' => [$code],
                'step' => $step,
                'at' => now()->toIso8601ZuluString(),
                'place' => null,
                'condition' => null,
                'celsius' => null,
                'corrects' => null,
            ])->assertOk();
        }
        self::assertSame(['drying', 'plan'], array_column($due(), 'kind'), 'what is frozen is safe');
        $this->travel(13)->hours();
        self::assertSame("Take up {$one->code}, it should be dry", $due()[0]['text']);
        Carbon::setTestNow('2026-09-05 18:00:00');
        $overdue = array_column($due(), 'urgent', 'kind');
        self::assertTrue($overdue['plan']);
        self::assertTrue($overdue['drying']);
    }
}
