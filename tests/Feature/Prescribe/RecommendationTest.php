<?php

declare(strict_types=1);

namespace Tests\Feature\Prescribe;

use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

final class RecommendationTest extends ApiTestCase
{
    public function test_the_lab_gives_an_amount_by_two_schools_with_its_arithmetic(): void
    {
        $area = $this->area();
        $sample = $this->pair($area, '5.5', '5.60');
        $this->read($sample, 'lab-mehlich', '6.10');
        $this->read($sample, 'lab-smp', '6.5');
        $it = $this->recommend($area);

        self::assertSame('amount', $it->json('kind'));
        self::assertSame(['SMP buffer', 'Mehlich buffer'], array_column($it->json('rates'), 'school'));
        // The schools' own stone, to 6 in of their 8.
        self::assertEqualsWithDelta(
            [(3.8 * 6) / 8, (1.8 * 6) / 8],
            array_column($it->json('rates'), 'tons_per_acre'),
            1e-9,
        );
        self::assertSame('(6.6 − 6.1) / 0.25', $it->json('rates.1.steps.0.how'));
        self::assertSame(
            [$sample->code, 5.6, 6.1, 6.5],
            [
                $it->json('sample.code'),
                $it->json('lab.ph'),
                $it->json('lab.mehlich_buffer_ph'),
                $it->json('lab.smp_buffer_ph'),
            ],
        );
        self::assertNotEmpty($it->json('cautions'));
        // 45 % instead of 90 % carbonate wants twice as much; the sample stands for 6 in, however deep it is mixed.
        $half = $this->recommend($area, ['cce_percent' => 45, 'depth_in' => 8]);
        self::assertEqualsWithDelta((2 * 1.8 * 6) / 8, $half->json('rates.1.tons_per_acre'), 1e-9);
        self::assertStringContainsString('Sized for 6 in', implode(' ', $half->json('notes')));
    }

    public function test_the_kit_alone_gives_nothing_until_its_sort_claim_is_signed_as_standing(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $bare = $this->area($area->site, name: 'Alder carr');
        $this->read($this->sample($bare, '2026-10-01'), 'kit-ph', '5.0');
        $it = $this->recommend($bare);
        self::assertSame('none', $it->json('kind'));
        self::assertStringContainsString('no verdict on its sort claim has been signed', $it->json('answer'));

        $this->sign();
        $it = $this->recommend($bare);
        self::assertSame(['direction', []], [$it->json('kind'), $it->json('rates')]);
        self::assertStringContainsString('buffer pH before you buy lime', implode(' ', $it->json('next')));
        self::assertSame('stands', $it->json('verdict.verdict'));
    }

    public function test_a_kit_that_sorts_is_heard_before_one_whose_colour_lies_between_two_actions(): void
    {
        $other = $this->method('kit-ph')->replicate();
        $other->fill(['code' => 'other', 'name' => 'Other kit'])->save();
        foreach ([['other', 'kit-ph'], ['kit-ph', 'other']] as $order) {
            $sample = $this->sample($area ??= $this->area());
            foreach ($order as $code) {
                $this->read($sample, $code, '5.0');
                if ($code === 'other') {
                    Reading::query()->latest('id')->firstOrFail()->corrected(['between' => '7.5']);
                }
            }
            $found = $this->recommend($area, ['sample_id' => $sample->id]);
            self::assertSame('Loam capsule kit', $found->json('kit.method'), implode(', ', $order));
        }
    }

    public function test_a_verdict_does_not_speak_beyond_the_readings_it_rests_on(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        $bare = $this->area($area->site, name: 'Alder carr');
        $this->read($this->sample($bare, '2026-10-01'), 'kit-ph', '4.5');
        $it = $this->recommend($bare);

        self::assertSame('none', $it->json('kind'));
        self::assertStringContainsString('outside the readings', $it->json('answer'));
    }

    public function test_an_open_verdict_gives_no_direction(): void
    {
        $area = $this->area();
        for ($i = 0; $i < 6; $i++) {
            $this->pair($area, '5.0', '5.1');
        }
        $this->sign();
        $bare = $this->area($area->site, name: 'Alder carr');
        $this->read($this->sample($bare, '2026-10-01'), 'kit-ph', '5.0');

        $this->recommend($bare)->assertJsonPath('kind', 'none')->assertJsonPath('verdict.verdict', 'open');
    }

    public function test_a_reading_against_its_protocol_is_not_heard(): void
    {
        $area = $this->area();
        $this->read($this->sample($area), 'kit-ph', '5.0', ['tap-water']);

        $this->recommend($area)->assertJsonPath('kind', 'none')->assertJsonPath('sample', null);
    }

    public function test_the_newest_composite_goes_first_and_disagreement_is_said(): void
    {
        $area = $this->area();
        $this->pair($area, '6.5', '6.60');
        $newest = $this->sample($area, '2026-10-10');
        $this->read($newest, 'lab-ph', '5.40');
        $it = $this->recommend($area);

        self::assertSame($newest->code, $it->json('sample.code'));
        self::assertCount(1, $it->json('earlier'));
        self::assertStringContainsString('pH 6.60, leave', implode(' ', $it->json('notes')));
    }

    /**
     * Cells of one area, of which one was pulled twice: each has its answer, and the page opens at the one that needs
     * most.
     */
    public function test_each_part_of_an_area_has_an_answer_of_its_own(): void
    {
        $area = $this->area();
        $whole = $this->sample($area, '2026-05-05');
        $this->read($whole, 'lab-ph', '6.90');
        $parts = $this->cells($area, ['7.60', '6.50', '5.50', null], '5.45');
        $this->read($parts[2], 'lab-mehlich', '6.10');
        $it = $this->recommend($area);

        self::assertSame(
            [[1, 'too_high'], [2, 'leave'], [3, 'amount']],
            array_map(static fn (array $part): array => [$part['number'], $part['kind']], $it->json('parts')),
            'the one that nobody measured has none, the duplicate is no part',
        );
        self::assertSame(4, $it->json('parts_planned'));
        self::assertSame(
            [$parts[2]->code, 'amount', 5.5],
            [$it->json('sample.code'), $it->json('kind'), $it->json('lab.ph')],
        );
        self::assertSame(
            [[], [], 1],
            [
                $it->json('parts.0.tons_per_acre'),
                $it->json('parts.1.tons_per_acre'),
                count($it->json('parts.2.tons_per_acre')),
            ],
        );
        $notes = implode(' ', $it->json('notes'));
        self::assertStringContainsString($whole->code, $notes);
        self::assertStringNotContainsString(
            $parts[0]->code,
            $notes,
            'what stands in the table of parts is no disagreement',
        );
        self::assertStringNotContainsString($parts[4]->code, $notes, 'its duplicate says the same');
        self::assertStringNotContainsString('may want splitting', $notes, 'it is split');

        $this->recommend($area, ['sample_id' => $parts[0]->id])
            ->assertJsonPath('kind', 'too_high')
            ->assertJsonPath('sample.code', $parts[0]->code);
        $this->recommend($area, ['sample_id' => $whole->id])->assertJsonPath('kind', 'leave');
        $this->recommend($area, ['sample_id' => $parts[3]->id])->assertJsonPath('kind', 'none');
        $this->api('GET', '/recommendations', query: ['site_id' => $area->site_id])->assertJsonPath('0.kinds', [
            'amount',
            'too_high',
            'leave',
        ]);
        $this->api('GET', '/follow-up', query: ['site_id' => $area->site_id])->assertJsonPath('rows.0.due', '2027-09-20');
    }

    public function test_a_duplicate_that_calls_for_something_else_is_said_of_its_own_part_alone(): void
    {
        $area = $this->area();
        $parts = $this->cells($area, ['7.60', '6.50', '5.90'], '6.20');
        $notes = fn (int $i): string => implode(
            ' ',
            $this->recommend($area, ['sample_id' => $parts[$i]->id])->json('notes'),
        );

        self::assertStringContainsString(
            "{$parts[3]->code} (20 Sep, pH 6.20, leave, a duplicate of this one)",
            $notes(2),
        );
        self::assertStringNotContainsString($parts[3]->code, $notes(0).$notes(1));
    }

    /** Lists look back a year from the newest with a pH; where that one does not count they look on, as the area's own page does. */
    public function test_list_and_page_agree_where_the_newest_with_a_ph_does_not_count(): void
    {
        $area = $this->area();
        $old = $this->sample($area, '2023-04-10');
        $this->read($old, 'lab-ph', '5.40');
        $this->read($this->sample($area, '2026-09-10'), 'kit-ph', '6.5', ['short_shake']);
        $listed = $this->api('GET', '/recommendations', query: ['site_id' => $area->site_id])->assertOk()->json('0');
        $page = $this->recommend($area);

        self::assertSame([$old->code, $page->json('kind')], [$page->json('sample.code'), $listed['kind']]);
        self::assertSame($old->code, $listed['sample']);
    }

    /**
     * Ground with more composites than are looked at: the newest decide, all are counted, and an old one can still be
     * asked about.
     */
    public function test_of_very_many_composites_the_newest_decide(): void
    {
        $area = $this->area();
        $newest = $this->sample($area, '2026-10-10');
        $this->read($newest, 'lab-ph', '5.40');
        DB::statement(
            'WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 330)
            INSERT INTO samples (team_id, site_id, area_id, plan_id, created_by, code, year, number, depth, '.
                "pulled_on, pulled_by, cores_planned, cores_pulled, note, composite, conditions, created_at, updated_at)
            SELECT team_id, site_id, area_id, plan_id, created_by, 'OLD' || i, 2010, i, depth, '2010-04-01', ".
                    "pulled_by, cores_planned, cores_pulled, '', 1, '{}', created_at, updated_at FROM samples, n ".
                        'WHERE samples.id = ?',
            [$newest->id],
        );
        DB::statement(
            'INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, value, as_reported, '.
                "read_on, reader, flags, note, lot, created_at, updated_at)
            SELECT r.team_id, s.id, r.portion_id, r.method_id, r.created_by, 6.9, '6.9', '2010-04-09', r.reader, ".
                    "'[]', '', '', r.created_at, r.updated_at FROM samples s, readings r WHERE s.code LIKE 'OLD%' ".
                        'AND r.sample_id = ?',
            [$newest->id],
        );
        $it = $this->recommend($area);

        self::assertSame(
            [$newest->code, 'direction', 299],
            [$it->json('sample.code'), $it->json('kind'), count($it->json('earlier'))],
        );
        $this->api('GET', '/follow-up', query: ['site_id' => $area->site_id])
            ->assertJsonPath('rows.0.composites', 331)
            ->assertJsonPath('rows.0.last_pulled', '2026-10-10');
        $this->recommend($area, ['sample_id' => Sample::query()->where('code', 'OLD1')->valueOrFail('id')])
            ->assertJsonPath('kind', 'leave')
            ->assertJsonPath('lab.ph', 6.9);
    }

    public function test_a_composite_of_other_ground_is_refused(): void
    {
        $area = $this->area();
        $other = $this->sample($this->area($area->site, name: 'Alder carr'));
        foreach ([$other->id, 999999] as $id) {
            $this->recommend($area, ['sample_id' => $id])
                ->assertStatus(422)
                ->assertJsonPath('errors.sample_id.0', 'No such composite was pulled from this area.');
        }
        $this->recommend($area, ['sample_id' => 'all of them'])->assertStatus(422);
    }

    /** A later round of one composite speaks for the whole area again. */
    public function test_an_old_round_of_parts_gives_way_to_a_new_composite(): void
    {
        $area = $this->area();
        $this->cells($area, ['7.60', '6.50', '5.50', '6.60'], '5.45');
        $this->read($this->sample($area, '2026-10-10'), 'lab-ph', '6.40');

        $this->recommend($area)
            ->assertJsonPath('parts', [])
            ->assertJsonPath('parts_planned', 1)
            ->assertJsonPath('kind', 'leave')
            ->assertJsonPath('lab.ph', 6.4);
    }

    public function test_limits_are_those_of_the_policy(): void
    {
        $area = $this->area();
        $this->read($this->sample($area), 'lab-ph', '6.10');
        $this->recommend($area)->assertJsonPath('kind', 'leave');
        $crops = $this->api('GET', '/policies')->json('0.terms.crops');
        $this->actingAs($this->reviewer);
        $this->api('POST', '/policies', [
            'analyte' => 'ph',
            'required' => 0.8,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'crops' => ['pasture' => [6.3, 7.3]] + $crops,
            'reason' => 'Clover wants it higher.',
        ])->assertCreated();

        $this->recommend($area)
            ->assertJsonPath('kind', 'direction')
            ->assertJsonPath('crop.low', 6.3)
            ->assertJsonPath('policy_version', 2);
    }

    /** Four said lime at 5.5, the newest 6.12 made it "leave". */
    public function test_composites_of_one_round_that_disagree_are_pooled(): void
    {
        $area = $this->area();
        foreach (['5.50', '5.52', '5.48', '5.50'] as $ph) {
            $sample = $this->sample($area, '2026-09-01');
            $this->read($sample, 'lab-ph', $ph);
            $this->read($sample, 'lab-mehlich', '6.10');
        }
        $newest = $this->sample($area, '2026-09-03');
        $this->read($newest, 'lab-ph', '6.12');
        $it = $this->recommend($area);

        self::assertSame(['amount', 5], [$it->json('kind'), $it->json('pooled.composites')]);
        self::assertEqualsWithDelta([5.624, 0.3447], [$it->json('lab.ph'), $it->json('pooled.margin')], 1e-4);
        self::assertStringContainsString("{$newest->code} pH 6.12, leave", implode(' ', $it->json('notes')));
        self::assertStringContainsString(
            'limed and unlimed ground do not belong into one mean',
            implode(' ', $it->json('notes')),
        );
        $this->recommend($area, ['sample_id' => $newest->id])
            ->assertJsonPath('kind', 'leave')
            ->assertJsonPath('pooled', null);
        // A round of half a year before does not speak with this one.
        $this->read($this->sample($area, '2026-03-01'), 'lab-ph', '7.60');
        $this->recommend($area)->assertJsonPath('pooled.composites', 5);
    }

    public function test_organic_soil_stops_amounts_whether_it_was_measured_or_said(): void
    {
        $area = $this->area();
        $sample = $this->sample($area);
        $this->read($sample, 'lab-ph', '5.00');
        $this->read($sample, 'lab-mehlich', '6.00');
        $this->recommend($area)->assertJsonPath('kind', 'amount');
        $area->update(['facts' => ['textures' => ['organic']]]);
        $it = $this->recommend($area)->assertJsonPath('kind', 'stop')->assertJsonPath('rates', []);
        self::assertStringContainsString('peaty', $it->json('answer'));

        $area->update(['facts' => []]);
        $om = TestMethod::query()->create([
            'code' => 'lab-om',
            'name' => 'Lab, organic matter',
            'analyte' => 'om',
            'workplace' => 'lab',
            'school' => null,
            'bands' => null,
            'uncertainty' => null,
            'lot' => '',
        ]);
        $this->read($sample, 'lab-om', '20.5');
        self::assertStringContainsString(
            '20.5 % organic matter',
            $this->recommend($area)->assertJsonPath('kind', 'stop')->json('answer'),
        );
        self::assertSame('om', $om->analyte);
    }

    /** A slice of two inches or of a foot and a half is never taken for six inches. */
    public function test_a_thin_or_a_deep_layer_is_said_and_sized_as_it_is(): void
    {
        $area = $this->area();
        $sample = $this->sample($area);
        $this->read($sample, 'lab-ph', '5.60');
        $this->read($sample, 'lab-mehlich', '6.10');
        foreach (['0-2in' => (1.8 * 2) / 8, '0-18in' => (1.8 * 6) / 8] as $depth => $tons) {
            Sample::query()
                ->whereKey($sample->id)
                ->update(['depth' => $depth]);
            $it = $this->recommend($area);
            self::assertEqualsWithDelta($tons, $it->json('rates.0.tons_per_acre'), 1e-9, $depth);
            self::assertStringContainsString('made for samples of about 5 to 9 in', implode(' ', $it->json('notes')));
        }
    }

    /**
     * A pen whose rate claim stands sizes lime as the lab's pH would; with its sort claim alone it gives a direction.
     */
    public function test_a_pen_is_heard_by_the_claims_that_stand(): void
    {
        $area = $this->area();
        $pen = TestMethod::query()->create([
            'code' => 'pen',
            'name' => 'Marsh pen',
            'analyte' => 'ph',
            'workplace' => 'bench',
            'school' => null,
            'bands' => null,
            'uncertainty' => null,
            'lot' => '',
        ]);
        foreach (range(0, 59) as $i) {
            $sample = $this->sample($area, '2026-04-01');
            $ph = 4.6 + $i * 0.05;
            $this->read($sample, 'lab-ph', number_format($ph, 2));
            $this->read($sample, 'pen', number_format($ph + ($i % 2 === 0 ? 0.03 : -0.03), 2), on: '2026-04-'.(2 + $i % 28));
        }
        $bare = $this->area($area->site, name: 'Alder carr');
        $alone = $this->sample($bare, '2026-05-02');
        $this->read($alone, 'pen', '5.60');
        $this->recommend($bare)->assertJsonPath('kind', 'none');

        $this->actingAs($this->reviewer);
        foreach (
            ['sort' => ['direction', 'lime is called for'], 'rate' => ['direction', 'How much is not known']] as $claim => [$kind, $words]
        ) {
            $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $pen->id]);
            $this->api(
                'POST',
                '/evidence/{method}/verdicts',
                [
                    'claim' => $claim,
                    'hash' => $evidence->json('hash'), 'password' => 'peat',
                    'follows_id' => null,
                    'scope' => 'Marsh pen at Fen End.',
                    'note' => '',
                ],
                ['method' => $pen->id],
            )
                ->assertCreated()
                ->assertJsonPath('verdict', 'stands');
            $it = $this->recommend($bare)->assertJsonPath('kind', $kind);
            self::assertStringContainsString($words, $it->json('answer'));
        }
        $this->actingAs($this->technician);
        $this->read($alone, 'lab-mehlich', '6.10');
        $it = $this->recommend($bare)
            ->assertJsonPath('kind', 'amount')
            ->assertJsonPath('lab.by_test', true)
            ->assertJsonPath('lab.ph', 5.6);
        self::assertEqualsWithDelta((1.8 * 6) / 8, $it->json('rates.0.tons_per_acre'), 1e-9);
        self::assertStringContainsString('by Marsh pen, whose rate claim stands', implode(' ', $it->json('notes')));
        $this->read($this->sample($bare, '2026-05-03'), 'pen', '8.10');
        $this->recommend($bare)->assertJsonPath('kind', 'none');
    }

    /** A crop that came after a team was founded has its own limits; before, cranberry at pH 4.6 was limed. */
    public function test_a_new_crop_keeps_its_own_limits_for_teams_founded_before_it(): void
    {
        $policy = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail();
        self::assertSame([], $policy->terms->crops, 'a policy stores only what a team has changed');
        self::assertSame([4.0, 5.5], $policy->limitsFor('cranberry')->values);
        $bog = $this->area(name: 'Cranberry bog');
        $bog->update(['use' => 'cranberry']);
        $this->read($this->sample($bog), 'lab-ph', '4.60');
        $this->recommend($bog)->assertJsonPath('kind', 'leave');
        self::assertSame(
            [6.0, 7.3],
            $policy->limitsFor('of no crop')->values,
            'what the table lacks has the limits of the policy',
        );
        self::assertSame([4, 5.5], $this->api('GET', '/policies')->json('0.terms.crops.cranberry'));
    }

    public function test_bad_material_is_refused(): void
    {
        $this->recommend($this->area(), ['cce_percent' => 0])
            ->assertStatus(422)
            ->assertJsonValidationErrors('cce_percent');
        $this->recommend(Area::query()->firstOrFail(), ['depth_in' => 'deep'])->assertStatus(422);
    }

    public function test_every_area_has_a_line(): void
    {
        $area = $this->area();
        $this->read($this->sample($area), 'lab-ph', '5.40');
        $this->area($area->site, name: 'Alder carr');

        $this->api('GET', '/recommendations', query: ['site_id' => $area->site_id])
            ->assertOk()
            ->assertJsonPath('0.area', 'Alder carr')
            ->assertJsonPath('0.kind', 'none')
            ->assertJsonPath('1.kind', 'direction');
    }

    /**
     * @param array<string, int|float|string> $query
     * @return TestResponse<Response>
     */
    private function recommend(Area $area, array $query = []): TestResponse
    {
        return $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $area->id], query: $query);
    }

    private function sign(): void
    {
        $this->actingAs($this->reviewer);
        $kit = $this->method('kit-ph')->id;
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit])->json('hash');
        $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => 'sort',
                'hash' => $hash, 'password' => 'peat',
                'follows_id' => null,
                'scope' => 'Loam capsule kit at Fen End.',
                'note' => '',
            ],
            ['method' => $kit],
        )->assertCreated();
        $this->actingAs($this->technician);
    }
}
