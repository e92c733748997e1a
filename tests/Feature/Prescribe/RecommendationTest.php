<?php

declare(strict_types=1);

namespace Tests\Feature\Prescribe;

use App\Models\Area;
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
        self::assertSame(['Mehlich buffer', 'SMP buffer'], array_column($it->json('rates'), 'school'));
        self::assertEqualsWithDelta(1.8 * 6 / 8, $it->json('rates.0.tons_per_acre'), 1e-9);
        self::assertEqualsWithDelta(3.8 * 6 / 8, $it->json('rates.1.tons_per_acre'), 1e-9);
        self::assertSame('(6.6 − 6.1) / 0.25', $it->json('rates.0.steps.0.how'));
        self::assertSame([$sample->code, 5.6, 6.1, 6.5], [$it->json('sample.code'), $it->json('lab.ph'), $it->json('lab.mehlich_buffer_ph'), $it->json('lab.smp_buffer_ph')]);
        self::assertNotEmpty($it->json('cautions'));
        $half = $this->recommend($area, ['cce_percent' => 50, 'fineness' => 1, 'depth_in' => 8]);
        self::assertEqualsWithDelta(3.6, $half->json('rates.0.tons_per_acre'), 1e-9);
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

    public function test_limits_are_those_of_the_policy(): void
    {
        $area = $this->area();
        $this->read($this->sample($area), 'lab-ph', '6.10');
        $this->recommend($area)->assertJsonPath('kind', 'leave');
        $crops = $this->api('GET', '/policies')->json('0.terms.crops');
        $this->actingAs($this->reviewer);
        $this->api('POST', '/policies', ['analyte' => 'ph', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.3, 'change' => 0.5, 'crops' => ['pasture' => [6.3, 7.3]] + $crops, 'reason' => 'Clover wants it higher.'])->assertCreated();

        $this->recommend($area)->assertJsonPath('kind', 'direction')->assertJsonPath('crop.low', 6.3)->assertJsonPath('policy_version', 2);
    }

    public function test_bad_material_is_refused(): void
    {
        $this->recommend($this->area(), ['cce_percent' => 0])->assertStatus(422)->assertJsonValidationErrors('cce_percent');
        $this->recommend(Area::query()->firstOrFail(), ['depth_in' => 'deep'])->assertStatus(422);
    }

    public function test_every_area_has_a_line(): void
    {
        $area = $this->area();
        $this->read($this->sample($area), 'lab-ph', '5.40');
        $this->area($area->site, name: 'Alder carr');

        $this->api('GET', '/recommendations', query: ['site_id' => $area->site_id])->assertOk()
            ->assertJsonPath('0.area', 'Alder carr')->assertJsonPath('0.kind', 'none')->assertJsonPath('1.kind', 'direction');
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
        $this->api('POST', '/evidence/{method}/verdicts', ['claim' => 'sort', 'hash' => $hash, 'follows_id' => null, 'scope' => 'Loam capsule kit at Fen End.', 'note' => ''], ['method' => $kit])->assertCreated();
        $this->actingAs($this->technician);
    }
}
