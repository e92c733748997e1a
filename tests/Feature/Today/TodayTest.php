<?php

declare(strict_types=1);

namespace Tests\Feature\Today;

use App\Actions\Plans\SavePlan;
use App\Actions\Samples\PullComposite;
use Illuminate\Support\Carbon;
use Tests\Feature\ApiTestCase;

final class TodayTest extends ApiTestCase
{
    public function test_what_waits_follows_the_work(): void
    {
        Carbon::setTestNow('2026-09-10 12:00:00');
        $site = $this->site();
        self::assertSame([['areas', 'Draw the first sampling area']], $this->waiting($site->id));
        $area = $this->area($site);
        self::assertSame([['plans', 'Plan the cores']], $this->waiting($site->id));
        $plan = $this->plan($area);
        self::assertSame([['pull', 'Pull 12 cores']], $this->waiting($site->id));
        $sample = $this->api(
            'POST',
            '/plans/{plan}/samples',
            ['pulled_on' => '2026-09-01', 'pulled_by' => 'Ada', 'cores_pulled' => 12, 'note' => ''],
            ['plan' => $plan->id],
        )->json('samples.0');
        self::assertSame(
            [
                ['bench', "Read the bench portion of {$sample['code']}"],
                ['reports', "Enter the lab's pH of {$sample['code']}"],
            ],
            $this->waiting($site->id),
        );
        $found = \App\Models\Sample::query()->whereKey($sample['id'])->firstOrFail();
        $this->read($found, 'kit-ph', '6.5');
        $this->read($found, 'lab-ph', '6.5');
        self::assertSame([['decide', 'Sign the first verdict']], $this->waiting($site->id));
        Carbon::setTestNow('2029-09-02 12:00:00');
        self::assertContains(['follow-up', 'Retest was due 1 Sep 2027'], $this->waiting($site->id));
    }

    public function test_a_plan_that_was_replaced_before_it_was_begun_waits_no_longer(): void
    {
        $site = $this->site();
        $area = $this->area($site);
        $cells = self::spec(['cell_acres' => 2.5]);
        $begun = app(SavePlan::class)->new($area, $this->technician, $cells)->refresh();
        app(PullComposite::class)(
            $begun,
            $this->technician,
            [
                'composite' => 1,
                'pulled_on' => '2026-09-01',
                'pulled_by' => 'Ada',
                'cores_pulled' => 12,
                'note' => '',
                'submission' => null,
            ],
            [],
        );
        $this->plan($area);
        $newest = $this->plan($area);
        $left = $begun->composites - 1;

        $pulls = array_values(
            array_filter($this->waiting($site->id), static fn (array $item): bool => $item[0] === 'pull'),
        );
        self::assertSame(
            [
                ['pull', $left === 1 ? 'Pull 12 cores' : "Pull {$left} composites of 12 cores"],
                ['pull', 'Pull 12 cores'],
            ],
            $pulls,
        );
        self::assertSame(
            [[1], [], range(2, $begun->composites)],
            array_column($this->api('GET', '/plans', query: ['site_id' => $site->id])->json(), 'to_pull'),
        );
        self::assertSame([1], $newest->toPull());
    }

    public function test_the_day_is_that_of_the_site(): void
    {
        $site = $this->site();
        Carbon::setTestNow('2026-09-10 02:00:00');

        $this->api('GET', '/today', query: ['site_id' => $site->id])->assertJsonPath('date', '2026-09-09');
    }

    public function test_search_finds_by_code_portion_and_name(): void
    {
        $sample = $this->sample();
        $portion = (string) $sample->portions()->where('kind', 'bench')->value('code');
        foreach (
            [
                [$sample->code, 'sample'],
                [strtolower($portion), 'sample'],
                ['sedge', 'area'],
                ['marl', 'lab'],
                ['capsule', 'test'],
            ] as [$words, $kind]
        ) {
            self::assertSame(
                $kind,
                $this->api('GET', '/search', query: ['q' => $words])->assertOk()->json('0.kind'),
                $words,
            );
        }
        foreach (['%', '__', "'; DROP TABLE samples; --", 'x'] as $words) {
            $this->api('GET', '/search', query: ['q' => $words])->assertOk()->assertExactJson([]);
        }
    }

    public function test_the_lists_that_forms_choose_from(): void
    {
        $this->api('GET', '/choices')->assertOk()->assertJsonPath('uses.0.code', 'vegetables');
        $this->api('GET', '/methods')->assertOk()->assertJsonCount(4);
        $this->api('GET', '/ping')
            ->assertOk()
            ->assertExactJson(['ok' => true]);
    }

    /** @return list<array{string, string}> */
    private function waiting(int $siteId): array
    {
        return array_values(
            array_map(
                static fn (array $item): array => [(string) $item['stage'], (string) $item['text']],
                (array) $this->api('GET', '/today', query: ['site_id' => $siteId])->assertOk()->json('waiting'),
            ),
        );
    }
}
