<?php

declare(strict_types=1);

namespace Tests\Feature\FollowUp;

use App\Actions\Plans\SavePlan;
use App\Actions\Samples\PullComposite;
use App\Models\Area;
use App\Models\Lab;
use App\Models\Plan;
use App\Models\Sample;
use App\Models\TestMethod;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** The series of an area and what came of its programs, over HTTP. */
final class AnswersTest extends FollowUpTestCase
{
    public function test_a_dressing_that_did_what_its_school_expected_beside_its_control(): void
    {
        [$area, $strip] = $this->limedGround();
        $this->round($area, '2025-10-02', '6.55');
        $this->round($strip, '2025-10-02', '5.60');
        $answer = $this->answer($area);
        self::assertSame(['answered', 'as_expected', 'mehlich'], [$answer['state'], $answer['word'], $answer['school']]);
        self::assertEqualsWithDelta(0.95, $answer['difference'], 1e-9);
        self::assertEqualsWithDelta([0.95, 0.0], [$answer['change']['treated'], $answer['change']['control']], 1e-9);
        self::assertEqualsWithDelta(0.95, $answer['expected'], 0.35);
        self::assertLessThan($answer['smallest_with_power'], $answer['smallest_seen']);
        self::assertSame('Untreated strip by the dyke', $answer['control']);
        self::assertStringStartsWith('As expected: +0.95', $answer['says']);
        self::assertSame(1, count($answer['spread']));
    }

    public function test_a_control_that_moved_as_much_says_that_the_lime_was_not_seen(): void
    {
        [$area, $strip] = $this->limedGround();
        $this->round($area, '2025-10-02', '6.55');
        $this->round($strip, '2025-10-02', '6.55');
        self::assertSame('not_seen', $this->answer($area)['word']);
        Carbon::setTestNow('2025-11-01 12:00:00');
    }

    public function test_without_a_control_the_change_is_told_and_no_more(): void
    {
        [$area] = $this->limedGround(control: false);
        $this->round($area, '2025-10-02', '6.55');
        $answer = $this->answer($area);
        self::assertSame(['no_control', null], [$answer['word'], $answer['control']]);
        self::assertContains('There is no control: what the season or the irrigation did stands in the change too.', $answer['reasons']);
    }

    public function test_another_lab_in_between_breaks_the_series_and_nothing_is_compared(): void
    {
        [$area] = $this->limedGround();
        $other = $this->lab('Clay Works');
        TestMethod::query()->create([
            'code' => 'clay-ph', 'name' => 'Clay Works pH', 'analyte' => 'ph', 'workplace' => 'lab', 'lab_id' => $other->id,
            'school' => null,
            'bands' => null, 'uncertainty' => 0.1, 'lot' => '',
        ]);
        $this->round($area, '2025-10-02', '6.55', lab: 'clay-ph');
        $answer = $this->answer($area);
        self::assertSame(['broken', 'cannot_tell', null], [$answer['state'], $answer['word'], $answer['difference']]);
        self::assertStringContainsString('The lab changed', $answer['says']);
        $series = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertOk()->json();
        self::assertSame(2, count($series['treated']['stretches']));
        self::assertStringContainsString('to Clay Works', $series['treated']['stretches'][1]['breaks'][0]);
        self::assertSame([null, null], array_column($series['treated']['stretches'], 'trend'));
        Lab::query()->whereKey($other->id)->firstOrFail();
    }

    public function test_of_two_labs_in_one_round_the_one_of_the_series_is_held_against_it(): void
    {
        [$area] = $this->limedGround(control: false);
        $other = $this->lab('Clay Works');
        TestMethod::query()->create([
            'code' => 'clay-ph', 'name' => 'Clay Works pH', 'analyte' => 'ph', 'workplace' => 'lab', 'lab_id' => $other->id,
            'school' => null, 'bands' => null, 'uncertainty' => 0.1, 'lot' => '',
        ]);
        $this->round($area, '2025-10-01', '6.90', lab: 'clay-ph');
        $this->round($area, '2025-10-02', '6.55');
        self::assertSame('answered', $this->answer($area)['state'], 'A second opinion breaks nothing.');
        self::assertEqualsWithDelta(0.95, $this->answer($area)['difference'], 1e-9);
    }

    public function test_a_control_that_was_treated_itself_is_none(): void
    {
        [$area, $strip] = $this->limedGround();
        Carbon::setTestNow('2025-03-01 15:00:00');
        $this->note(self::entry($strip->id, ['product' => 'limestone-pelleted', 'amount' => 2000]))->assertJsonCount(1, 'stored');
        $this->round($area, '2025-10-02', '6.55');
        $this->round($strip, '2025-10-02', '6.50');
        $answer = $this->answer($area);
        self::assertSame('no_control', $answer['word'], 'Else what the lime did would be taken off itself.');
        self::assertStringContainsString('is no control here', implode(' ', $answer['reasons']));
    }

    public function test_what_else_was_spread_since_the_round_before_is_counted_or_doubted(): void
    {
        [$area] = $this->limedGround(control: false, limed: false);
        $program = $this->signed($area, '2024-11-05');
        Carbon::setTestNow('2024-11-10 15:00:00');
        $this->note(
            self::entry($area->id, ['product' => 'limestone-pelleted', 'amount' => 800]),
            self::entry($area->id, ['what' => 'Marl of the pit', 'amount' => 3000]),
        )->assertJsonCount(2, 'stored');
        $this->limed($program, '2024-11-20');
        $this->round($area, '2025-10-02', '6.55');
        $answer = $this->answer($area);
        self::assertCount(2, $answer['spread']);
        self::assertStringContainsString('Marl of the pit was spread in between too (2024-11-10)', implode(' ', $answer['reasons']));
    }

    public function test_what_is_pulled_before_and_after_a_spreading_is_not_one_round(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-11-08', '5.60', '6.10');
        $this->limed($this->signed($area, '2024-11-10'), '2024-11-20');
        $this->round($area, '2024-11-24', '6.20');
        $answer = $this->answer($area);
        self::assertSame(['early', '2024-11-08', '2024-11-24'], [$answer['state'], $answer['before']['on'], $answer['after']['on']]);
        self::assertEqualsWithDelta([5.6, 6.2], [$answer['before']['mean'], $answer['after']['mean']], 1e-9);
        $series = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertOk()->json('treated.stretches.0.points');
        self::assertCount(2, $series);
    }

    public function test_what_is_missing_is_said_in_the_order_of_the_work(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-11-08', '5.60', '6.10');
        $program = $this->signed($area, '2024-11-10');
        self::assertSame(['not_spread', 'Nobody noted that it was spread.'], $this->said($area));
        Carbon::setTestNow('2024-11-20 15:00:00');
        $line = $this->limeLine($program);
        $entry = self::entry($area->id, ['program_id' => $program->id, 'product' => '', 'what' => 'Marl of the pit', 'amount' => 3000]);
        $this->note($entry)->assertJsonCount(1, 'stored');
        self::assertSame('unknown_rate', $this->said($area)[0]);
        $this->note(self::entry($area->id, ['takes_back' => $entry['uuid']]))->assertJsonCount(1, 'stored');
        $none = self::entry($area->id, [
            'program_id' => $program->id, 'product' => $line['product'], 'amount' => 0, 'line' => $line['key'],
        ]);
        $this->note($none)->assertJsonCount(1, 'stored');
        self::assertSame(['not_spread', 'It was noted that nothing was spread.'], $this->said($area));
        $this->note(self::entry($area->id, ['takes_back' => $none['uuid']]))->assertJsonCount(1, 'stored');
        $this->limed($program, '2024-11-22');
        self::assertSame(['no_after', 'Nothing was pulled since it was spread.'], $this->said($area));
        $this->round($area, '2024-12-20', '5.90');
        self::assertSame('early', $this->said($area)[0]);
    }

    public function test_results_of_before_the_application_are_never_its_outcome(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $program = $this->signed($area, '2024-11-10');
        $this->round($area, '2024-11-15', '6.90');
        $this->limed($program, '2024-11-22');
        self::assertSame('no_after', $this->said($area)[0]);
        $this->round($area, '2025-10-10', '6.90');
        $answer = $this->answer($area);
        self::assertSame('2024-11-15', $answer['before']['on'], 'The last round before it was spread.');
    }

    public function test_half_the_rate_is_expected_to_do_half(): void
    {
        [$area] = $this->limedGround(control: false, limed: false);
        $program = $this->signed($area, '2024-11-10');
        $line = $this->limeLine($program);
        Carbon::setTestNow('2024-11-20 15:00:00');
        $this->note(self::entry($area->id, [
            'program_id' => $program->id, 'product' => $line['product'], 'amount' => $line['lb_per_acre'] / 2, 'line' => $line['key'],
        ]))->assertJsonCount(1, 'stored');
        $half = $this->answer($area)['expected'];
        $other = $this->area($area->site, 'corn', 'Reed meadow');
        $this->round($other, '2024-10-01', '5.60', '6.10');
        $this->limed($this->signed($other, '2024-11-10'), '2024-11-20');
        self::assertEqualsWithDelta($this->answer($other)['expected'] / 2, $half, 1e-6);
    }

    public function test_a_strip_that_is_only_named_gets_its_composites_one_by_one(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $this->round($area, '2024-10-02', '5.80');
        $of = Sample::query()->orderByDesc('id')->firstOrFail();
        $control = $this->leave($area, ['name' => 'Last pass along the hedge'])->assertCreated()->json();
        $said = ['samples' => [$of->id]];
        $this->api('POST', '/controls/{control}/samples', $said, ['control' => $control['id']])->assertOk();
        $this->api('POST', '/controls/{control}/samples', $said, ['control' => $control['id']])->assertStatus(409);
        $series = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertOk()->json();
        self::assertEqualsWithDelta(
            [5.6, 5.8],
            [
                $series['treated']['stretches'][0]['points'][0]['mean'],
                $series['controls'][0]['series']['stretches'][0]['points'][0]['mean'],
            ],
            1e-9,
        );
    }

    public function test_two_controls_at_a_time_are_refused_and_one_after_the_other_is_not(): void
    {
        $area = $this->area(use: 'corn');
        $strip = $this->strip($area->site);
        Carbon::setTestNow('2024-11-20 15:00:00');
        $first = $this->leave($area, ['ground_id' => $strip->id])->assertCreated()->json('id');
        $twice = $this->leave($area, ['name' => 'Another'])->assertStatus(409);
        self::assertStringContainsString('has a control already', $twice->json('message'));
        $this->leave($strip, ['ground_id' => $strip->id])->assertStatus(409);
        $this->leave($strip, ['ground_id' => $area->id])->assertStatus(409);
        $this->api('POST', '/controls/{control}/end', ['on' => '2024-09-01'], ['control' => $first])->assertStatus(409);
        $this->api('POST', '/controls/{control}/end', ['on' => '2099-09-01'], ['control' => $first])->assertStatus(422);
        $this->api('POST', '/controls/{control}/end', ['on' => '2024-11-01'], ['control' => $first])->assertOk();
        $this->leave($area, ['name' => 'Another', 'since' => '2024-11-02'])->assertCreated();
        foreach ([['name' => ''], ['since' => '2099-01-01'], ['since' => '1.11.2024'], ['boundary' => self::BOW_TIE]] as $odd) {
            $this->leave($this->area($area->site, 'corn', 'Reed '.random_int(1, 9_999_999)), $odd)->assertStatus(422);
        }
    }

    public function test_a_strip_that_is_drawn_becomes_ground_of_its_own(): void
    {
        $area = $this->area(use: 'corn');
        $made = $this->leave($area, ['name' => 'Strip along the lane', 'boundary' => self::STRIP])->assertCreated()->json();
        $own = Area::query()->whereKey($made['ground_id'])->firstOrFail();
        self::assertSame(['Strip along the lane', 'corn'], [$own->name, $own->use]);
        self::assertStringContainsString('control of Sedge meadow', $own->history);
        $this->leave($this->area($area->site, 'corn', 'Reed meadow'), ['name' => 'Strip along the lane', 'boundary' => self::STRIP])
            ->assertStatus(422);
    }

    public function test_parts_of_one_layout_are_plots_of_their_own_with_their_duplicates(): void
    {
        $area = $this->area(use: 'corn');
        $before = $this->parts($area, '2024-10-01', [5.50, 5.60, 5.70, 5.55, 5.65], withBuffer: true);
        $program = $this->signed($area, '2024-11-10');
        self::assertGreaterThan(1, count($program->outlook->sized), 'Each part has a line of its own.');
        Carbon::setTestNow('2024-11-20 15:00:00');
        foreach ($program->outlook->lines as $line) {
            if (str_contains($line->product, 'limestone')) {
                $this->note(self::entry($area->id, [
                    'program_id' => $program->id, 'part' => $line->part, 'product' => $line->product, 'as_planned' => true,
                    'line' => $line->key(),
                ]))->assertJsonCount(1, 'stored');
            }
        }
        $this->parts($area, '2025-10-02', [6.30, 6.45, 6.50, 6.45, 6.40]);
        $answer = $this->answer($area);
        self::assertSame($before, $answer['plots']['treated'], 'one plot a part; the duplicate goes with the part it is of');
        self::assertSame($before, $answer['after']['composites']);
        self::assertSame('no_control', $answer['word']);
        self::assertNotContains('One plot in a group needs the standard uncertainty of a result.', $answer['reasons']);
        // Another layout: its third part is another piece of ground.
        $this->parts($area, '2026-10-03', [6.4, 6.5], acres: 4.0);
        $series = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertOk()->json();
        self::assertCount(3, $series['treated']['stretches'][0]['points']);
    }

    public function test_what_the_next_retest_must_look_like_is_taken_over_in_one_step(): void
    {
        [$area, $strip] = $this->limedGround();
        $this->round($area, '2025-10-02', '6.10');
        $this->round($strip, '2025-10-02', '5.70');
        $answer = $this->answer($area);
        $design = $answer['design'];
        self::assertGreaterThan(0, $design['composites']);
        $plans = $this->api('POST', '/programs/{program}/retest-plan', ['key' => 'lime'], ['program' => $answer['program_id']])
            ->assertCreated()
            ->json('plans');
        self::assertSame([$area->id, $strip->id], array_column($plans, 'area_id'));
        $plan = Plan::query()->whereKey($plans[0]['id'])->firstOrFail();
        self::assertSame($design['cores'], $plan->spec->cores);
        self::assertGreaterThanOrEqual($design['composites'], $plan->composites - count($plan->layout->doubles()));
        self::assertGreaterThan(0, count($plan->layout->doubles()), 'With a duplicate, so that the scatter is known next time.');
        $this->api('POST', '/programs/{program}/retest-plan', ['key' => 'gold'], ['program' => $answer['program_id']])->assertNotFound();
    }

    public function test_the_series_goes_out_as_a_table_with_its_breaks_and_what_was_spread(): void
    {
        [$area, $strip] = $this->limedGround();
        $this->round($area, '2025-10-02', '6.55');
        $this->round($strip, '2025-04-02', '5.60');
        $csv = $this->get("/api/areas/{$area->id}/series.csv")->assertOk()->getContent();
        $rows = array_map(static fn (string $line): array => str_getcsv($line, escape: ''), explode("\n", trim((string) $csv)));
        self::assertSame('kind', $rows[0][0]);
        $by = array_count_values(array_map(strval(...), array_column(array_slice($rows, 1), 0)));
        self::assertSame(['result' => 4, 'application' => 1], $by);
        self::assertStringContainsString('The season changed: pulled in October then, in April now.', (string) $csv);
        $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id], query: ['analyte' => 'gold'])->assertStatus(422);
    }

    public function test_three_rounds_of_one_lab_and_season_have_a_trend_with_its_interval(): void
    {
        $area = $this->area(use: 'corn');
        foreach (['2023-10-01' => '5.60', '2024-10-03' => '5.75', '2025-09-28' => '5.80'] as $day => $ph) {
            $this->round($area, $day, $ph);
        }
        $trend = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])
            ->assertOk()
            ->json('treated.stretches.0.trend');
        self::assertSame(3, $trend['points']);
        self::assertEqualsWithDelta(0.1, $trend['slope'], 0.005);
        self::assertLessThan($trend['slope'], $trend['interval'][0]);
    }

    public function test_answers_of_many_areas_ask_no_more_queries(): void
    {
        $site = $this->site();
        $asked = [];
        foreach ([1, 3] as $upTo) {
            for ($n = count($asked) === 0 ? 0 : 1; $n < $upTo; $n++) {
                $area = $this->area($site, 'corn', "Sedge {$n}");
                $this->round($area, '2024-10-01', '5.60', '6.10');
                $this->limed($this->signed($area, '2024-11-10'), '2024-11-20');
                $this->round($area, '2025-10-02', '6.40');
            }
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->api('GET', '/sites/{site}/answers', ids: ['site' => $site->id])->assertOk();
            $asked[] = count(DB::getQueryLog());
            DB::disableQueryLog();
        }
        self::assertSame($asked[0], $asked[1]);
    }

    public function test_another_team_sees_none_of_it(): void
    {
        [$area] = $this->limedGround();
        [$stranger] = $this->team('Marsh crew', 'marsh');
        $this->actingAs($stranger);
        $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertNotFound();
        $this->api('GET', '/sites/{site}/answers', ids: ['site' => $area->site_id])->assertNotFound();
        $this->api('GET', '/sites/{site}/spread-lines', ids: ['site' => $area->site_id])->assertNotFound();
        $this->leave($area, ['name' => 'Mine'])->assertNotFound();
    }

    /**
     * A round by cells with one duplicate.
     *
     * @param non-empty-list<float> $values pH by the number of the part, the last for all that are left
     * @return int parts
     */
    private function parts(Area $area, string $day, array $values, float $acres = 1.5, bool $withBuffer = false): int
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $plan = app(SavePlan::class)->new($area, $this->technician, self::spec([
            'cell_acres' => $acres, 'cores' => 5, 'quality' => ['duplicates' => 1, 'hidden' => 0],
        ]))->refresh();
        foreach ($plan->layout->composites as $composite) {
            $sample = app(PullComposite::class)(
                $plan,
                $this->technician,
                [
                    'composite' => $composite->number, 'pulled_on' => $day, 'pulled_by' => 'Ada Fenwright',
                    'cores_pulled' => $composite->cores, 'note' => '', 'submission' => null,
                ],
                [],
            )[0]->refresh();
            $of = ($composite->duplicateOf ?? $composite->number) - 1;
            $this->read($sample, 'lab-ph', number_format($values[min($of, count($values) - 1)], 2), on: $day);
            if ($withBuffer) {
                $this->read($sample, $this->buffer(), '6.10', on: $day);
            }
        }

        return count($plan->layout->composites) - count($plan->layout->doubles());
    }

    /** @return array{string, string} state and words */
    private function said(Area $area): array
    {
        $answer = $this->answer($area);

        return [$answer['state'], $answer['says']];
    }

    /**
     * @param array<string, mixed> $more
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function leave(Area $area, array $more): \Illuminate\Testing\TestResponse
    {
        return $this->api(
            'POST',
            '/areas/{area}/controls',
            $more + ['name' => 'Untreated strip', 'since' => '2024-10-01', 'boundary' => null, 'ground_id' => null, 'note' => ''],
            ['area' => $area->id],
        );
    }

    /** @return array{Area, Area} sour ground that was limed, and the strip beside it */
    private function limedGround(bool $control = true, bool $limed = true): array
    {
        $area = $this->area(use: 'corn');
        $strip = $this->strip($area->site);
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $this->round($strip, '2024-10-01', '5.60');
        if ($control) {
            $this->leave($area, ['name' => $strip->name, 'ground_id' => $strip->id])->assertCreated();
        }
        if ($limed) {
            $this->limed($this->signed($area, '2024-11-10'), '2024-11-20');
        }

        return [$area, $strip];
    }
}
