<?php

declare(strict_types=1);

namespace Tests\Feature\Decide;

use App\Models\JudgingPolicy;
use App\Models\Lab;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\Verdict;
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
        self::assertSame([5.02, [], '5.0'], [$whole->json('snapshot.14.reference'), $whole->json('snapshot.14.readings'), $whole->json('snapshot.14.bands.0.name')]);
        self::assertSame([16, 15], array_column($whole->json('history'), 'pairs'));
        self::assertSame(['a newer verdict follows it'], $whole->json('ended'));
        self::assertSame([0, 'once', 2026], [$whole->json('policy.pairs_then'), $whole->json('policy.looking'), $whole->json('season')]);
        self::assertArrayNotHasKey('snapshot', $this->api('GET', '/verdicts')->json('0'), 'lists leave the pairs out');
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger)->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $first])->assertNotFound();
    }

    public function test_a_new_lot_a_new_season_or_another_lab_method_ends_it_and_prescribing_no_longer_hears_it(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $alone = $this->sample($area, '2026-09-20');
        $this->read($alone, 'kit-ph', '5.0');
        $this->sign();
        $kind = fn (): string => $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $area->id], query: ['material' => 'calcitic', 'depth_inches' => 6])->json('kind');
        $ended = fn (): array => $this->api('GET', '/evidence')->json('0.claims.sort.ended');
        self::assertSame([[], 'stands'], [$ended(), $this->api('GET', '/evidence')->json('0.claims.sort.signed')]);
        $before = $kind();

        $this->method('kit-ph')->update(['lot' => 'K-9']);
        self::assertStringContainsString('another lot is in use: K-9', $ended()[0]);
        self::assertNotSame($before, $kind(), 'a verdict of another lot gives no direction');
        $this->method('kit-ph')->update(['lot' => Verdict::query()->firstOrFail()->scope['lot']]);
        self::assertSame($before, $kind());
        $next = $this->sample($area, '2026-10-01');
        Sample::query()->whereKey($next->id)->update(['year' => 2027, 'number' => 99]);
        self::assertStringContainsString('a new season has begun: it rests on composites up to 2026, and there are some of 2027', $ended()[0]);
    }

    public function test_a_reading_that_is_changed_or_left_out_after_signing_marks_it_moved(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $this->sign();
        self::assertFalse($this->api('GET', '/evidence')->json('0.claims.sort.moved'));
        Reading::query()->where('method_id', $this->method('kit-ph')->id)->firstOrFail()->update(['flags' => ['spilled']]);
        self::assertTrue($this->api('GET', '/evidence')->json('0.claims.sort.moved'));
    }

    public function test_a_policy_tells_what_it_would_have_changed_before_it_is_set(): void
    {
        $this->provenKit($this->area());
        $this->sign();
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms;
        $input = ['analyte' => 'ph', 'required' => 0.9, 'confidence' => 0.95, 'allowable' => 0.3, 'change' => 0.5, 'crops' => $terms['crops'], 'reason' => 'The co-op asks for nine in ten.'];
        $this->api('POST', '/policies/preview', $input)->assertOk()->assertJsonPath('0.was', 'stands')->assertJsonPath('0.would', 'open');
        $this->api('POST', '/policies/preview', ['required' => 0.75] + $input)->assertJsonPath('0.would', 'stands');
        // 15 clean pairs prove 80 % to who looks once; to who looks after each pair they prove 74 %.
        $this->api('POST', '/policies/preview', ['required' => 0.8, 'looking' => 'often'] + $input)->assertJsonPath('0.would', 'open');
        self::assertSame(1, JudgingPolicy::query()->where('analyte', 'ph')->count(), 'nothing was stored');
        $this->api('POST', '/policies', ['required' => 0.7, 'looking' => 'often'] + $input)->assertCreated()->assertJsonPath('terms.looking', 'often')->assertJsonPath('pairs_then', 15);
        self::assertSame('stands', $this->api('GET', '/evidence')->json('0.claims.sort.computed'));
        $this->actingAs($this->technician)->api('POST', '/policies/preview', $input)->assertForbidden();
        $this->actingAs($this->reviewer)->api('POST', '/policies', ['looking' => 'sometimes'] + $input)->assertStatus(422);
    }

    public function test_limits_of_another_analyte_are_set_by_themselves(): void
    {
        $this->actingAs($this->reviewer);
        $input = ['analyte' => 'k', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.2, 'change' => 0.5, 'crops' => [], 'reason' => 'Sands of the south side.'];
        $this->api('POST', '/policies', ['thresholds' => [100, 130]] + $input)->assertCreated()->assertJsonPath('terms.thresholds', [100, 130])->assertJsonPath('version', 2);
        self::assertStringContainsString('must ascend', $this->api('POST', '/policies', ['thresholds' => [130, 100]] + $input)->assertStatus(422)->json('message'));
        $this->api('POST', '/policies', ['thresholds' => [100]] + $input)->assertStatus(422);
    }

    public function test_strategies_are_compared_on_the_evidence_and_need_enough_of_it(): void
    {
        $asked = ['lab_fee' => 18, 'lab_minutes' => 0, 'test_fee' => 1, 'test_minutes' => 0, 'hour' => 0, 'under' => 100, 'over' => 50, 'drift' => 0.1];
        $ids = ['method' => $this->method('kit-ph')->id];
        $area = $this->area();
        $this->pair($area, '5.5', '5.60');
        self::assertStringContainsString('More pairs are needed', $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->assertStatus(409)->json('message'));
        $this->provenKit($area);
        $found = $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->assertOk();
        $costs = array_column($found->json('outcomes'), null, 'strategy');

        self::assertSame(['lab', 'both', 'test'], array_values(array_intersect(['lab', 'both', 'test', 'change'], array_keys($costs))), 'a kit of bands sees no change');
        self::assertEqualsWithDelta(18.0, $costs['lab']['testing'], 1e-9);
        self::assertEqualsWithDelta(1.0, $costs['test']['testing'], 1e-9);
        foreach ($costs as $one) {
            self::assertEqualsWithDelta($one['testing'] + 100 * $one['under'] + 50 * $one['over'], $one['cost'], 1e-6);
        }
        self::assertSame($found->json(), $this->api('POST', '/evidence/{method}/strategies', $asked, $ids)->json(), 'asked again, the same');
        $this->api('POST', '/evidence/{method}/strategies', ['under' => -1] + $asked, $ids)->assertStatus(422)->assertJsonValidationErrors('under');
        $this->api('POST', '/evidence/{method}/strategies', ['hour' => 'NAN'] + $asked, $ids)->assertStatus(422);
        self::assertEquals(18, $this->api('GET', '/evidence/{method}/costs', ids: $ids)->assertOk()->json('lab_fee'), 'a usual fee');
        Lab::query()->create(['name' => 'Marl Laboratory', 'address' => '', 'email' => '', 'turnaround_days' => 8, 'transit_days' => 2, 'holidays' => [], 'bag_ml' => 400, 'quarantine' => '', 'form' => [], 'columns' => [], 'tests' => [['code' => 'ph', 'name' => 'pH', 'method' => '', 'extractant' => 'water', 'unit' => 'pH', 'fee_cents' => 925, 'needs_ml' => 10, 'depth' => null, 'outside' => '']]]);
        self::assertEqualsWithDelta(9.25, $this->api('GET', '/evidence/{method}/costs', ids: $ids)->json('lab_fee'), 1e-9, 'the lab has named its own');
    }

    public function test_a_policy_tells_of_claims_of_numbers_too(): void
    {
        $pen = TestMethod::query()->create(['code' => 'pen', 'name' => 'Pen', 'analyte' => 'ph', 'portion' => 'bench', 'school' => null, 'uncertainty' => null, 'lot' => '', 'bands' => null]);
        $area = $this->area();
        foreach (range(0, 29) as $i) {
            $sample = $this->sample($area);
            $ph = 5.0 + 0.1 * $i;
            $this->read($sample, 'lab-ph', number_format($ph, 2));
            foreach ([0.05, -0.05] as $off) {
                Reading::query()->create(['sample_id' => $sample->id, 'portion_id' => $sample->portions()->where('kind', 'bench')->valueOrFail('id'), 'method_id' => $pen->id, 'created_by' => $this->technician->id, 'value' => round($ph + $off + 0.06 * (-1) ** $i, 3), 'band' => null, 'as_reported' => 'x', 'read_on' => '2026-09-05', 'reader' => 'Ada Fenwright', 'flags' => [], 'note' => '', 'lot' => '']);
            }
        }
        $this->actingAs($this->reviewer);
        $hash = (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $pen->id])->json('hash');
        foreach (['rate', 'track'] as $claim) {
            $this->api('POST', '/evidence/{method}/verdicts', ['claim' => $claim, 'hash' => $hash, 'follows_id' => null, 'scope' => 'The pen on the soils here.', 'note' => ''], ['method' => $pen->id])->assertCreated()->assertJsonPath('verdict', 'stands');
        }
        $terms = JudgingPolicy::query()->where('analyte', 'ph')->firstOrFail()->terms;
        $input = ['analyte' => 'ph', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.05, 'change' => 0.1, 'crops' => $terms['crops'], 'reason' => 'Much stricter in both.'];
        $effects = array_column($this->api('POST', '/policies/preview', $input)->assertOk()->json(), 'would', 'claim');
        self::assertSame(['track' => 'falls', 'rate' => 'falls'], $effects);
        self::assertSame(['stands', 'stands'], Verdict::query()->pluck('verdict')->all(), 'what was signed stays');
    }

    /** @return TestResponse<Response> */
    private function sign(?int $follows = null): TestResponse
    {
        $this->actingAs($this->reviewer);
        $method = $this->method('kit-ph')->id;
        $hash = (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $method])->json('hash');

        return $this->api('POST', '/evidence/{method}/verdicts', ['claim' => 'sort', 'hash' => $hash, 'follows_id' => $follows, 'scope' => 'The capsule kit, its lot, on the soils here.', 'note' => ''], ['method' => $method])->assertCreated();
    }
}
