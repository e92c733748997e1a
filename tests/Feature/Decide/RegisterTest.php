<?php

declare(strict_types=1);

namespace Tests\Feature\Decide;

use App\Actions\Decide\SetPolicy;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Lab;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunTube;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use App\Record\Seal;
use HonestCore\Agreement\PolicyTerms;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Signed verdicts: what they rest on is kept, they end, and policies tell what they would have changed. */
final class RegisterTest extends ApiTestCase
{
    public function test_a_verdict_keeps_its_pairs_policy_and_history_for_an_auditor(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $first = $this->sign()->json('id');
        $this->pair($area, '5.5', '5.60');
        $this->sign($first);
        $whole = $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $first])->assertOk();

        self::assertCount(15, $whole->json('snapshot'), 'as they were when it was signed');
        self::assertSame(
            [5.02, [], '5.0'],
            [
                $whole->json('snapshot.14.reference'),
                $whole->json('snapshot.14.readings'),
                $whole->json('snapshot.14.bands.0.name'),
            ],
        );
        self::assertSame([16, 15], array_column($whole->json('history'), 'pairs'));
        self::assertSame(['a newer verdict follows it'], $whole->json('ended'));
        self::assertSame(
            [0, 'once', 2026],
            [$whole->json('policy.pairs_then'), $whole->json('policy.looking'), $whole->json('season')],
        );
        self::assertArrayNotHasKey('snapshot', $this->api('GET', '/verdicts')->json('rows.0'), 'lists leave the pairs out');
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger)->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $first])->assertNotFound();
    }

    public function test_a_verdict_speaks_for_the_lots_and_seasons_it_was_asked_for_and_is_carried_over_by_pairs_of_their_own(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $alone = $this->sample($area, '2026-09-20');
        $this->read($alone, 'kit-ph', '5.0');
        $this->sign();
        $kind = fn (): string => $this->api(
            'GET',
            '/areas/{area}/recommendation',
            ids: ['area' => $area->id],
            query: ['material' => 'calcitic', 'depth_inches' => 6],
        )->json('kind');
        $claim = fn (string $key): mixed => $this->api('GET', '/evidence')->json("rows.0.claims.sort.{$key}");
        self::assertSame(['', 'stands', 'direction'], [$claim('silent_on'), $claim('signed'), $kind()]);

        $this->method('kit-ph')->update(['lot' => 'K-9']);
        self::assertSame(['lot K-9', []], [$claim('silent_on'), $claim('ended')]);
        self::assertSame('direction', $kind(), 'what was read with the lot of before is heard');
        $next = $this->sample($area, '2026-10-01');
        $this->read($next, 'kit-ph', '5.0', on: '2026-10-02');
        self::assertSame('none', $kind(), 'a reading of a lot that was not asked gives no direction');
        foreach (['5.0' => '5.02', '6.5' => '6.51', '7.5' => '7.55'] as $band => $ph) {
            for ($i = 0; $i < ($band === '5.0' ? 1 : 2); $i++) {
                self::assertContains(
                    'not asked',
                    array_column($this->coverage('lots'), 'state', 'name'),
                    'four pairs are not enough',
                );
                $this->pair($area, (string) $band, $ph);
            }
        }
        self::assertSame(['L-1' => 'covered', 'K-9' => 'covered'], array_column($this->coverage('lots'), 'state', 'name'));
        self::assertSame('lot K-9', $claim('silent_on'), 'it was not signed for it yet');
        $this->sign(SignedVerdict::query()->latest('id')->firstOrFail()->id);
        self::assertSame('', $claim('silent_on'));
        self::assertSame('direction', $this->recommended($next), 'signed anew it speaks for both lots');

        Sample::query()
            ->whereKey($next->id)
            ->update(['year' => 2027, 'number' => 99]);
        self::assertSame('the season 2027', $claim('silent_on'));
        self::assertSame('none', $this->recommended($next));
        self::assertSame(['2026' => 'covered', '2027' => 'not asked'], array_column($this->coverage('seasons'), 'state', 'name'));
    }

    /** A kit that reads 6.0 at a limit of 6.0 sends nowhere, however surely it sorts what lies clear of it. */
    public function test_a_reading_near_the_limit_is_too_close_to_call_by_the_pairs_of_the_verdict(): void
    {
        $area = $this->area();
        foreach (['5.0' => 5.02, '6.5' => 6.51, '7.5' => 7.55] as $band => $ph) {
            for ($i = 0; $i < 5; $i++) {
                $this->pair($area, (string) $band, number_format($ph + 0.08 * ($i - 2), 2));
            }
        }
        $this->sign();
        $near = $this->sample($area, '2026-10-01');
        $this->read($near, 'kit-ph', '6.0', on: '2026-10-02');
        $clear = $this->sample($area, '2026-10-03');
        $this->read($clear, 'kit-ph', '5.0', on: '2026-10-04');

        self::assertSame(['none', 'direction'], [$this->recommended($near), $this->recommended($clear)]);
        $answer = $this->api(
            'GET',
            '/areas/{area}/recommendation',
            ids: ['area' => $area->id],
            query: ['material' => 'calcitic', 'depth_inches' => 6, 'sample_id' => $near->id],
        )->json('answer');
        self::assertStringContainsString('too close to call: by the 15 pairs of its verdict the lab would have found 5.8 to 6.3', $answer);
    }

    public function test_it_is_too_close_on_the_ratio_scale_as_well(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $set = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail();
        $terms = PolicyTerms::fromRow(['scale' => 'ratio', 'allowable' => 0.05, 'change' => 0.08, 'crops' => []] + $set->terms->toRow());
        app(SetPolicy::class)('ph', $terms, 'By factors.', $this->reviewer);
        $this->sign();
        $near = $this->sample($area, '2026-10-01');
        $this->read($near, 'kit-ph', '6.0', on: '2026-10-02');
        $clear = $this->sample($area, '2026-10-03');
        $this->read($clear, 'kit-ph', '5.0', on: '2026-10-04');

        self::assertSame(['none', 'direction'], [$this->recommended($near), $this->recommended($clear)]);
    }

    public function test_how_many_claims_would_stand_by_luck_is_said(): void
    {
        self::assertSame([0, 0.0, 0.0], $this->luck());
        $this->provenKit($this->area());
        $one = $this->luck();
        self::assertSame(1, $one[0], 'of the kit only the sort claim is judged: bands rate nothing, and none was read twice');
        self::assertEqualsWithDelta([0.05, 0.05], array_slice($one, 1), 1e-9);
        $this->pen();
        self::assertEqualsWithDelta([4, 0.2, 1 - 0.95 ** 4], $this->luck(), 1e-9);
    }

    /** @return array{int, float, float} */
    private function luck(): array
    {
        $said = $this->api('GET', '/claims/luck')->assertOk();

        return [$said->json('judged'), (float) $said->json('by_luck'), (float) $said->json('any_by_luck')];
    }

    public function test_another_lab_method_ends_it_and_prescribing_no_longer_hears_it(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        $this->method('lab-ph')->update(['analyte' => 'om']);
        TestMethod::query()->create(
            ['code' => 'lab-other', 'name' => 'Other'] + $this->method('lab-ph')->only(['workplace', 'lot', 'extractant']) +
                ['analyte' => 'ph'],
        );

        self::assertSame(['another lab method is the reference now'], $this->api('GET', '/verdicts')->json('rows.0.ended'));
    }

    /** Every verdict of before speaks for its own lot alone and ends with its season. */
    public function test_a_verdict_of_before_keeps_the_rules_it_was_signed_under(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        DB::unprepared('DROP TRIGGER verdicts_no_UPDATE');
        DB::update("UPDATE verdicts SET scope = json_remove(scope, '$.lots', '$.seasons')");
        DB::unprepared('DROP TRIGGER record_links_no_DELETE; DELETE FROM record_links');
        Seal::all(1);
        $ended = fn (): array => $this->api('GET', '/verdicts')->json('rows.0.ended');
        self::assertSame([], $ended());
        self::assertNull($this->api('GET', '/verdicts')->json('rows.0.scope.lots'));
        $this->method('kit-ph')->update(['lot' => 'K-9']);
        self::assertStringContainsString('another lot is in use: K-9', implode('; ', $ended()));
        $this->method('kit-ph')->update(['lot' => '']);
        self::assertSame(['another lot is in use: none is named instead of L-1'], $ended());
        $this->method('kit-ph')->update(['lot' => 'L-1']);
        Sample::query()
            ->whereKey($this->sample($area, '2026-10-01')->id)
            ->update(['year' => 2027, 'number' => 99]);
        self::assertStringContainsString(
            'a new season has begun: it rests on composites up to 2026, and there are some of 2027',
            implode('; ', $ended()),
        );
    }

    /** @return list<array<string, mixed>> */
    private function coverage(string $of): array
    {
        return $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])
            ->json("claims.sort.coverage.{$of}");
    }

    /** What is recommended from one composite. */
    private function recommended(Sample $sample): string
    {
        return $this->api(
            'GET',
            '/areas/{area}/recommendation',
            ids: ['area' => $sample->area_id],
            query: ['material' => 'calcitic', 'depth_inches' => 6, 'sample_id' => $sample->id],
        )->json('kind');
    }

    public function test_the_register_says_what_todays_rules_make_of_a_verdict_that_keeps_what_it_was(): void
    {
        $this->provenKit($this->area());
        $this->sign();
        $signed = SignedVerdict::query()->firstOrFail();
        $old = SignedVerdict::query()->create([
            ...$signed->only([
                'method_id', 'reference_id', 'policy_id', 'signed_by', 'verdict', 'scope', 'evidence', 'evidence_hash', 'note',
                'season',
            ]),
            'claim' => 'sort',
            'follows_id' => $signed->id,
            'snapshot' => array_slice($signed->snapshot ?? [], 0, 3),
        ]);
        $unkept = SignedVerdict::query()->create([...$old->only([
            'method_id', 'reference_id', 'policy_id', 'signed_by', 'verdict', 'scope', 'evidence', 'evidence_hash', 'note', 'season',
            'claim',
        ]), 'follows_id' => $old->id, 'snapshot' => null]);

        self::assertSame(
            [
                ['verdict_id' => $unkept->id, 'was' => 'stands', 'would' => null],
                ['verdict_id' => $old->id, 'was' => 'stands', 'would' => 'untested'],
                ['verdict_id' => $signed->id, 'was' => 'stands', 'would' => 'stands'],
            ],
            $this->api('GET', '/verdicts/todays-rules')->assertOk()->json(),
        );
    }

    /** Readings that name no lot are a lot of their own. */
    public function test_a_lot_that_is_not_named_is_told_as_none(): void
    {
        $this->provenKit($this->area());
        $kit = $this->method('kit-ph');
        $this->sign();
        $kit->update(['lot' => '']);
        self::assertSame('readings that name no lot', $this->api('GET', '/evidence')->json('rows.0.claims.sort.silent_on'));
        $words = array_column($this->coverage('lots'), 'words');
        self::assertSame('No lot named is not asked: 0 of 5 pairs of its own; 5 more would carry the verdict over.', $words[1]);
    }

    /** Whoever looks at a verdict outside of what it rests on is told nothing by it, from below and from above. */
    public function test_a_verdict_is_silent_beyond_its_readings_either_way(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        $scope = SignedVerdict::query()->firstOrFail()->scope;
        self::assertSame([5.0, 7.5], [(float) $scope['test_from'], (float) $scope['test_to']]);
        $found = function (string $band) use ($area): array {
            $bare = $this->area($area->site, name: "Piece of {$band}");
            $this->read($this->sample($bare, '2026-09-21'), 'kit-ph', $band);

            return (array) $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $bare->id])->json();
        };

        self::assertSame(
            ['none', 'direction', 'direction'],
            array_map(static fn (string $band): string => $found($band)['kind'], ['4.5', '5.0', '6.5']),
            'the lower end of it is in it',
        );
        // 7.5 is in it too, and its band, from 7.25 to 7.75, holds the limit of 7.3.
        $upper = $found('7.5');
        self::assertSame('none', $upper['kind']);
        self::assertStringContainsString('the lab would have found 7.3 to 7.8', (string) json_encode($upper));
    }

    public function test_a_reading_that_is_changed_or_left_out_after_signing_marks_it_moved(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        self::assertFalse($this->api('GET', '/evidence')->json('rows.0.claims.sort.moved'));
        Reading::query()
            ->where('method_id', $this->method('kit-ph')->id)
            ->firstOrFail()
            ->corrected(['flags' => ['spilled']]);
        self::assertTrue($this->api('GET', '/evidence')->json('rows.0.claims.sort.moved'));
    }

    public function test_a_policy_tells_what_it_would_have_changed_before_it_is_set(): void
    {
        $this->provenKit($this->area());
        $this->sign();
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms->toRow();
        $input = [
            'analyte' => 'ph',
            'required' => 0.9,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'crops' => (array) $terms['crops'],
            'reason' => 'The co-op asks for nine in ten.',
        ];
        $this->api('POST', '/policies/preview', $input)
            ->assertOk()
            ->assertJsonPath('0.was', 'stands')
            ->assertJsonPath('0.would', 'open');
        $this->api('POST', '/policies/preview', ['required' => 0.75] + $input)->assertJsonPath('0.would', 'stands');
        // 15 clean pairs prove 80 % to who looks once; to who looks after each pair they prove 74 %.
        $this->api('POST', '/policies/preview', ['required' => 0.8, 'looking' => 'often'] + $input)->assertJsonPath(
            '0.would',
            'open',
        );
        self::assertSame(1, JudgingPolicy::query()->where('analyte', 'ph')->count(), 'nothing was stored');
        $this->api('POST', '/policies', ['required' => 0.7, 'looking' => 'often'] + $input)
            ->assertCreated()
            ->assertJsonPath('terms.looking', 'often')
            ->assertJsonPath('pairs_then', 15);
        self::assertSame('stands', $this->api('GET', '/evidence')->json('rows.0.claims.sort.computed'));
        $this->actingAs($this->technician)->api('POST', '/policies/preview', $input)->assertForbidden();
        $this->actingAs($this->reviewer)
            ->api('POST', '/policies', ['looking' => 'sometimes'] + $input)
            ->assertStatus(422);
    }

    public function test_limits_of_another_analyte_are_set_by_themselves(): void
    {
        $this->actingAs($this->reviewer);
        $input = [
            'analyte' => 'k',
            'required' => 0.8,
            'confidence' => 0.95,
            'allowable' => 0.2,
            'change' => 0.5,
            'crops' => [],
            'reason' => 'Sands of the south side.',
        ];
        $this->api('POST', '/policies', ['thresholds' => [100, 130]] + $input)
            ->assertCreated()
            ->assertJsonPath('terms.thresholds', [100, 130])
            ->assertJsonPath('version', 2);
        self::assertStringContainsString(
            'must ascend',
            $this->api('POST', '/policies', ['thresholds' => [130, 100]] + $input)
                ->assertStatus(422)
                ->json('message'),
        );
        $this->api('POST', '/policies', ['thresholds' => [100]] + $input)->assertStatus(422);
    }

    public function test_strategies_are_compared_on_the_evidence_and_need_enough_of_it(): void
    {
        $asked = [
            'lab_fee' => 18,
            'lab_minutes' => 0,
            'test_fee' => 1,
            'test_minutes' => 0,
            'hour' => 0,
            'under' => 100,
            'over' => 50,
            'drift' => 0.1,
        ];
        $ids = ['method' => $this->method('kit-ph')->id];
        $area = $this->area();
        $this->pair($area, '5.5', '5.60');
        self::assertStringContainsString(
            'More pairs are needed',
            $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->assertStatus(409)->json('message'),
        );
        $this->provenKit($area);
        $found = $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->assertOk();
        $costs = array_column($found->json('outcomes'), null, 'strategy');

        self::assertSame(
            ['lab', 'both', 'test'],
            array_values(array_intersect(['lab', 'both', 'test', 'change'], array_keys($costs))),
            'a kit of bands sees no change',
        );
        self::assertEqualsWithDelta(18.0, $costs['lab']['testing'], 1e-9);
        self::assertEqualsWithDelta(1.0, $costs['test']['testing'], 1e-9);
        foreach ($costs as $one) {
            self::assertEqualsWithDelta($one['testing'] + 100 * $one['under'] + 50 * $one['over'], $one['cost'], 1e-6);
        }
        self::assertSame(
            $found->json(),
            $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->json(),
            'asked again, the same',
        );
        $this->api('POST', '/evidence/{method}/strategies', ['under' => -1] + $asked, $ids)
            ->assertStatus(422)
            ->assertJsonValidationErrors('under');
        $this->api('POST', '/evidence/{method}/strategies', ['hour' => 'NAN'] + $asked, $ids)->assertStatus(422);
        self::assertEquals(
            18,
            $this->api('GET', '/evidence/{method}/costs', ids: $ids)->assertOk()->json('lab_fee'),
            'a usual fee',
        );
        Lab::query()->create([
            'name' => 'Marl Laboratory',
            'address' => '',
            'email' => '',
            'turnaround_days' => 8,
            'transit_days' => 2,
            'holidays' => [],
            'bag_ml' => 400,
            'quarantine' => '',
            'form' => [],
            'columns' => [],
            'tests' => [
                [
                    'code' => 'ph',
                    'name' => 'pH',
                    'method' => '',
                    'extractant' => 'water',
                    'unit' => 'pH',
                    'fee_cents' => 925,
                    'needs_ml' => 10,
                    'depth' => null,
                    'outside' => '',
                ],
            ],
        ]);
        self::assertEqualsWithDelta(
            9.25,
            $this->api('GET', '/evidence/{method}/costs', ids: $ids)->json('lab_fee'),
            1e-9,
            'the lab has named its own',
        );
    }

    public function test_a_policy_tells_of_claims_of_numbers_too(): void
    {
        $pen = $this->pen();
        $this->actingAs($this->reviewer);
        $hash = (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $pen->id])->json('hash');
        foreach (['rate', 'track'] as $claim) {
            $this->api(
                'POST',
                '/evidence/{method}/verdicts',
                [
                    'claim' => $claim,
                    'hash' => $hash, 'password' => 'peat',
                    'follows_id' => null,
                    'scope' => 'The pen on the soils here.',
                    'note' => '',
                ],
                ['method' => $pen->id],
            )
                ->assertCreated()
                ->assertJsonPath('verdict', 'stands');
        }
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms->toRow();
        $input = [
            'analyte' => 'ph',
            'required' => 0.8,
            'confidence' => 0.95,
            'allowable' => 0.05,
            'change' => 0.1,
            'crops' => (array) $terms['crops'],
            'reason' => 'Much stricter in both.',
        ];
        $effects = array_column($this->api('POST', '/policies/preview', $input)->assertOk()->json(), 'would', 'claim');
        self::assertSame(['track' => 'falls', 'rate' => 'falls'], $effects);
        self::assertSame(['stands', 'stands'], SignedVerdict::query()->pluck('verdict')->all(), 'what was signed stays');
    }

    /** A pen sees change, so that it may stand between labs; and what cannot be said of it is said. */
    public function test_strategies_of_a_pen_count_its_own_repeats(): void
    {
        $asked = [
            'lab_fee' => 18,
            'lab_minutes' => 0,
            'test_fee' => 1,
            'test_minutes' => 0,
            'hour' => 0,
            'under' => 100,
            'over' => 50,
            'drift' => 0.0,
        ];
        $pen = $this->pen();
        $this->provenKit(Area::query()->firstOrFail());
        $of = fn (TestMethod $test) => $this->api('POST', '/evidence/{method}/strategies', $asked, [
            'method' => $test->id,
        ])->assertOk();
        [$found, $kit] = [$of($pen), $of($this->method('kit-ph'))];

        self::assertContains('change', array_column($found->json('outcomes'), 'strategy'));
        self::assertNotContains('change', array_column($kit->json('outcomes'), 'strategy'));
        self::assertStringNotContainsString('that strategy is left out', implode(' ', $found->json('words')));
        self::assertCount(3, $found->json('words'));
        self::assertStringContainsString('that strategy is left out', implode(' ', $kit->json('words')));
        self::assertNull($kit->json('test_sd'));
        self::assertEqualsWithDelta(0.05 * M_SQRT2, $found->json('test_sd'), 1e-3, 'two dips lie a tenth apart');
        $costs = array_column($found->json('outcomes'), null, 'strategy');
        // Between two limits at 6.0 and 7.3 a dip reaches twice its spread to either side: of 30 soils a tenth apart
        // some are close.
        self::assertGreaterThan(0.05, $costs['both']['lab_share']);
        self::assertLessThan(0.4, $costs['both']['lab_share']);
        self::assertEqualsWithDelta(1 + 18 * $costs['both']['lab_share'], $costs['both']['testing'], 1e-9);
    }

    /** What the last run cost and took, by its tubes; a policy of any version counts on. */
    public function test_costs_begin_with_the_last_run(): void
    {
        $sample = $this->pair($this->area(), '5.5', '5.60');
        $method = $this->method('kit-ph');
        $portion = $sample->portions()->where('kind', 'bench')->firstOrFail();
        $version = $method->versions()->latest('id')->firstOrFail();
        foreach ([[999, 6000, true], [120, 480, true], [5, 5, false]] as [$cents, $seconds, $finished]) {
            $run = Run::query()->create([
                'site_id' => $sample->site_id,
                'method_id' => $method->id,
                'method_version_id' => $version->id,
                'created_by' => $this->technician->id,
                'submission' => "s{$cents}",
                'state' => $finished ? 'finished' : 'running',
                'readers' => ['Ada Fenwright'],
                'said' => [],
                'lots' => [],
                'steps' => [['code' => 'read', 'kind' => 'read']],
                'started_ms' => 1,
                'cost_cents' => $cents,
                'attention_s' => $seconds,
                'note' => '',
                'finished_at' => $finished ? now() : null,
            ]);
            foreach (range(1, 4) as $number) {
                RunTube::query()->create([
                    'run_id' => $run->id,
                    'portion_id' => $portion->id,
                    'number' => $number,
                    'replicate' => $number,
                ]);
            }
        }

        $costs = $this->api('GET', '/evidence/{method}/costs', ids: ['method' => $method->id])->assertOk();
        self::assertEqualsWithDelta(
            [0.3, 2.0],
            [$costs->json('test_fee'), $costs->json('test_minutes')],
            1e-9,
            '120 cents and 8 minutes for four tubes; what is not finished tells nothing',
        );
    }

    public function test_versions_of_a_policy_count_on(): void
    {
        $this->actingAs($this->reviewer);
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms->toRow();
        foreach ([2, 3, 4] as $version) {
            $this->api('POST', '/policies', [
                'analyte' => 'ph',
                'required' => 0.8,
                'confidence' => 0.95,
                'allowable' => 0.3,
                'change' => 0.5,
                'crops' => (array) $terms['crops'],
                'reason' => "The {$version}th way.",
            ])
                ->assertCreated()
                ->assertJsonPath('version', $version);
        }
    }

    /**
     * Pairs that were left out of a verdict are left out of what another policy would make of it, and each area is
     * judged by its own limits.
     */
    public function test_a_preview_leaves_out_what_was_left_out_and_knows_the_ground(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $spoiled = $this->sample($area);
        $this->read($spoiled, 'kit-ph', '7.5', ['tap-water']);
        $this->read($spoiled, 'lab-ph', '5.10');
        $this->sign();
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms->toRow();
        $input = [
            'analyte' => 'ph',
            'required' => 0.8,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'crops' => (array) $terms['crops'],
            'reason' => 'As it was.',
        ];
        $would = fn (array $more): mixed => $this->api('POST', '/policies/preview', $more + $input)
            ->assertOk()
            ->json('0.would');

        self::assertSame('stands', $would([]), 'with the spoiled one in it would be open');
        // Limits that part what the kit does not: lab and kit then disagree on five of the fifteen.
        self::assertSame('open', $would(['crops' => ['pasture' => [5.01, 7.3]] + (array) $terms['crops']]));
        self::assertSame(
            'stands',
            $would(['crops' => ['lawn' => [5.01, 7.3]] + (array) $terms['crops']]),
            'of ground that was not in it',
        );
    }

    /** The ends of a fizz pair are open: what a new policy would make of it is judged with them as they are. */
    public function test_a_preview_keeps_open_bands_open(): void
    {
        $fizz = TestMethod::query()->create([
            'code' => 'fizz',
            'name' => 'Fizz',
            'analyte' => 'ph',
            'workplace' => 'bench',
            'school' => null,
            'uncertainty' => null,
            'lot' => '',
            'bands' => [
                ['name' => 'acid', 'lower' => null, 'upper' => 6.5],
                ['name' => 'rest', 'lower' => 6.5, 'upper' => null],
            ],
        ]);
        $area = $this->area();
        foreach (range(0, 15) as $i) {
            $sample = $this->sample($area);
            $this->read($sample, 'lab-ph', $i % 2 === 0 ? '5.20' : '7.80');
            Reading::query()->create([
                'sample_id' => $sample->id,
                'portion_id' => $sample->portions()->where('kind', 'bench')->valueOrFail('id'),
                'method_id' => $fizz->id,
                'created_by' => $this->technician->id,
                'value' => null,
                'band' => $i % 2 === 0 ? 'acid' : 'rest',
                'as_reported' => 'x',
                'read_on' => '2026-09-05',
                'reader' => 'Ada Fenwright',
                'flags' => [],
                'note' => '',
                'lot' => '',
            ]);
        }
        $this->actingAs($this->reviewer);
        $hash = (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $fizz->id])->json('hash');
        $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => 'sort',
                'hash' => $hash,
                'password' => 'peat',
                'follows_id' => null,
                'scope' => 'The fizz pair, here.',
                'note' => '',
            ],
            ['method' => $fizz->id],
        )
            ->assertCreated()
            ->assertJsonPath('verdict', 'unable');
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms->toRow();
        $input = [
            'analyte' => 'ph',
            'required' => 0.8,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'reason' => 'One limit for all.',
        ];

        $this->api('POST', '/policies/preview', ['crops' => (array) $terms['crops']] + $input)
            ->assertOk()
            ->assertJsonPath('0.would', 'unable');
        $this->api(
            'POST',
            '/policies/preview',
            ['crops' => array_map(static fn (): array => [6.5, 6.6], (array) $terms['crops'])] + $input,
        )
            ->assertOk()
            ->assertJsonPath('0.would', 'unable');
    }

    private function pen(): TestMethod
    {
        $pen = TestMethod::query()->create([
            'code' => 'pen',
            'name' => 'Pen',
            'analyte' => 'ph',
            'workplace' => 'bench',
            'school' => null,
            'uncertainty' => null,
            'lot' => '',
            'bands' => null,
        ]);
        $area = $this->area($this->site('PE'));
        foreach (range(0, 29) as $i) {
            $sample = $this->sample($area);
            $ph = 5.0 + 0.1 * $i;
            $this->read($sample, 'lab-ph', number_format($ph, 2));
            foreach ([0.05, -0.05] as $off) {
                Reading::query()->create([
                    'sample_id' => $sample->id,
                    'portion_id' => $sample->portions()->where('kind', 'bench')->valueOrFail('id'),
                    'method_id' => $pen->id,
                    'created_by' => $this->technician->id,
                    'value' => round($ph + $off + 0.06 * (-1) ** $i, 3),
                    'band' => null,
                    'as_reported' => 'x',
                    'read_on' => '2026-09-'.sprintf('%02d', 1 + $i % 28),
                    'reader' => 'Ada Fenwright',
                    'flags' => [],
                    'note' => '',
                    'lot' => '',
                ]);
            }
        }

        return $pen;
    }

    /** @return TestResponse<Response> */
    private function sign(?int $follows = null): TestResponse
    {
        $this->actingAs($this->reviewer);
        $method = $this->method('kit-ph')->id;
        $hash = (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $method])->json('hash');

        return $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => 'sort',
                'hash' => $hash, 'password' => 'peat',
                'follows_id' => $follows,
                'scope' => 'The capsule kit, its lot, on the soils here.',
                'note' => '',
            ],
            ['method' => $method],
        )->assertCreated();
    }
}
