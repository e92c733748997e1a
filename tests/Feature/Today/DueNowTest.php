<?php

declare(strict_types=1);

namespace Tests\Feature\Today;

use App\Actions\Custody\SplitOff;
use App\Models\Portion;
use App\Models\Sample;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Tests\Feature\ApiTestCase;

/** What is due now rises as the hours pass, and falls again when it is done. */
final class DueNowTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-01 18:00:00');
    }

    public function test_moist_soil_is_to_be_spread_and_is_urgent_once_its_day_is_over(): void
    {
        $sample = $this->sample();
        $code = $sample->portions()->where('kind', 'lab')->firstOrFail()->code;
        // Pulled at noon of its day in New York, 16:00 in Greenwich; a day of moist soil ends 24 h later.
        self::assertSame([], $this->urgent($sample));
        self::assertContains("Spread {$code} to dry", $this->texts($sample));
        Carbon::setTestNow('2026-09-02 19:00:00');
        self::assertContains("Spread {$code} to dry", $this->urgent($sample));

        $this->step('drying', $sample, '2026-09-02T19:00:00Z');
        self::assertSame(["{$sample->code} is drying"], $this->texts($sample), 'both portions dry as one');
        self::assertSame([], $this->urgent($sample));
        Carbon::setTestNow('2026-09-03 07:00:00');
        self::assertSame(["Take up {$sample->code}, it should be dry"], $this->texts($sample));
        self::assertSame([], $this->urgent($sample), 'there is time yet');
        Carbon::setTestNow('2026-09-03 19:00:00');
        self::assertSame(
            ["Take up {$sample->code}, it should be dry"],
            $this->urgent($sample),
            'after a day it is urgent',
        );
        $this->step('dried', $sample, '2026-09-03T19:00:00Z');
        self::assertSame([], $this->texts($sample));
    }

    public function test_nitrate_gets_warm_before_anything_else_and_is_out_of_hand_at_the_lab(): void
    {
        $sample = $this->sample();
        $this->step('drying', $sample, '2026-09-01T18:00:00Z');
        $nitrate = app(SplitOff::class)->sample($this->technician, $sample, 'lab_b', Carbon::now(), 300, ['nitrate']);
        self::assertSame("{$nitrate->code} is getting warm", $this->texts($sample)[0]);
        self::assertSame(["{$nitrate->code} is getting warm"], $this->urgent($sample));
        Carbon::setTestNow('2026-09-02 18:30:00');
        self::assertContains("The time of {$nitrate->code} has run out", $this->urgent($sample));
        foreach (['packed', 'sent', 'arrived'] as $step) {
            $this->write($step, [$nitrate->code], '2026-09-02T18:30:00Z');
        }
        self::assertNotContains(
            "The time of {$nitrate->code} has run out",
            $this->texts($sample),
            'what lies at the lab is in no hand here',
        );
    }

    public function test_plans_of_the_week_are_named_with_their_day_and_urgent_when_it_is_over(): void
    {
        $area = $this->area();
        [$soon, $later] = [$this->plan($area), $this->plan($area)];
        foreach ([[$soon->id, '2026-09-04'], [$later->id, '2026-09-09']] as [$id, $day]) {
            $this->api('PUT', '/plans/{plan}/day', ['pull_on' => $day], ['plan' => $id])->assertOk();
        }
        $due = fn (): array => (array) $this->api('GET', '/today', query: ['site_id' => $area->site_id])
            ->assertOk()
            ->json('due');
        $cores = $soon->spec->cores;
        self::assertSame(
            ["Pull {$cores} cores on Friday 4 Sep"],
            array_column($due(), 'text'),
            'the other is more than a week away',
        );
        self::assertSame([false], array_column($due(), 'urgent'));

        // In New York it is still the 4th when Greenwich has the 5th.
        Carbon::setTestNow('2026-09-05 02:00:00');
        self::assertSame([false, false], array_column($due(), 'urgent'));
        Carbon::setTestNow('2026-09-05 14:00:00');
        self::assertSame(
            [["Pull {$cores} cores on Friday 4 Sep", true], ["Pull {$cores} cores on Wednesday 9 Sep", false]],
            array_map(static fn (array $one): array => [$one['text'], $one['urgent']], $due()),
        );
        $this->api('PUT', '/plans/{plan}/day', ['pull_on' => null], ['plan' => $soon->id])->assertOk();
        self::assertCount(1, $due());
    }

    public function test_nothing_of_another_team_is_due_here(): void
    {
        $sample = $this->sample();
        Carbon::setTestNow('2026-09-02 19:00:00');
        self::assertNotSame([], $this->urgent($sample));
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);
        self::assertSame(
            [],
            $this->api('GET', '/today', query: ['site_id' => $this->site('BG')->id])->assertOk()->json('due'),
        );
    }

    private function step(string $step, Sample $sample, string $at): void
    {
        $this->write(
            $step,
            array_values(
                Portion::query()
                    ->where('sample_id', $sample->id)
                    ->whereIn('kind', ['lab', 'bench'])
                    ->pluck('code')
                    ->map(strval(...))
                    ->all(),
            ),
            $at,
        );
    }

    /** @param list<string> $codes */
    private function write(string $step, array $codes, string $at): void
    {
        $this->api('POST', '/custody-steps', [
            'submission' => Str::uuid()->toString(),
            'codes' => $codes,
            'step' => $step,
            'at' => $at,
            'place' => null,
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ])->assertOk();
    }

    /** @return list<string> */
    private function texts(Sample $sample): array
    {
        return array_values(
            array_map(
                strval(...),
                array_column(
                    (array) $this->api('GET', '/today', query: ['site_id' => $sample->site_id])
                        ->assertOk()
                        ->json('due'),
                    'text',
                ),
            ),
        );
    }

    /** @return list<string> */
    private function urgent(Sample $sample): array
    {
        $due = (array) $this->api('GET', '/today', query: ['site_id' => $sample->site_id])->assertOk()->json('due');

        return array_values(
            array_map(
                strval(...),
                array_column(
                    array_filter($due, static fn (mixed $one): bool => is_array($one) && $one['urgent'] === true),
                    'text',
                ),
            ),
        );
    }
}
