<?php

declare(strict_types=1);

namespace Tests\Feature\Prescribe;

use App\Models\Area;
use App\Models\TestMethod;
use Tests\Feature\ApiTestCase;

final class AmountsTest extends ApiTestCase
{
    public function test_the_lab_sizes_phosphate_when_the_crop_and_the_yield_are_known(): void
    {
        $this->newMethod('lab-p', 'p', 'lab', 'mehlich-3', 0.08);
        $area = $this->area(use: 'corn');
        $sample = $this->sample($area);
        $this->read($sample, 'lab-p', '15');
        $bare = $this->amount($area);
        self::assertSame(
            ['action', null, 'Build up: 15.0 ppm, below 20.'],
            [$bare['kind'], $bare['lb_per_acre'], $bare['answer']],
        );
        self::assertStringContainsString('Choose the crop', $bare['next']);
        self::assertSame(
            ['corn', 'soybean', 'wheat'],
            $this->api('GET', '/areas/{area}/amounts', ids: ['area' => $area->id])->json('crops'),
        );

        // (20 - 15) ppm at 20 lb each over 4 years, and 0.35 lb for each of 180 bushels.
        $sized = $this->amount($area, ['crop' => 'corn', 'yield' => 180]);
        self::assertSame(['amount', 'P2O5'], [$sized['kind'], $sized['nutrient']]);
        self::assertEqualsWithDelta(25.0 + 63.0, $sized['lb_per_acre'], 1e-9);
        self::assertEqualsWithDelta([88 - 1.2 * 5, 88 + 1.2 * 5], $sized['between'], 1e-9);
        // Wheat wants more: limits of 30 and 50.
        self::assertEqualsWithDelta(
            15 * 5 + 0.5 * 80,
            $this->amount($area, ['crop' => 'wheat', 'yield' => 80])['lb_per_acre'],
            1e-9,
        );
        $this->api('GET', '/areas/{area}/amounts', ids: ['area' => $area->id], query: ['crop' => 'hops'])->assertStatus(
            422,
        );
        $this->api('GET', '/areas/{area}/amounts', ids: ['area' => $area->id], query: ['yield' => '-3'])->assertStatus(
            422,
        );
    }

    public function test_limits_belong_to_their_extractant(): void
    {
        $this->newMethod('lab-p', 'p', 'lab', 'olsen');
        $area = $this->area(use: 'corn');
        $this->read($this->sample($area), 'lab-p', '15');
        $it = $this->amount($area, ['crop' => 'corn', 'yield' => 180]);

        self::assertSame(['none', null], [$it['kind'], $it['lb_per_acre']]);
        self::assertStringContainsString('by olsen', $it['answer']);
    }

    public function test_a_result_near_a_limit_and_composites_that_differ_are_said(): void
    {
        $this->newMethod('lab-p', 'p', 'lab', 'mehlich-3', 0.2);
        $area = $this->area(use: 'corn');
        $this->read($this->sample($area, '2026-09-01'), 'lab-p', '30');
        $this->read($this->sample($area, '2026-09-02'), 'lab-p', '18');
        $it = $this->amount($area);

        self::assertStringContainsString('Too close to call', implode(' ', $it['reasons']));
        self::assertStringContainsString('"maintain"', (string) $it['differ']);
    }

    public function test_a_test_of_the_bench_is_heard_by_the_claims_that_stand(): void
    {
        $probe = $this->newMethod('probe', 'no3n', 'bench', '');
        $this->newMethod('lab-n', 'no3n', 'lab', '');
        $area = $this->area(use: 'corn');
        for ($i = 0; $i < 30; $i++) {
            $sample = $this->sample($area, '2026-06-01');
            $ppm = 6 + 2 * $i;
            $this->read($sample, 'lab-n', (string) $ppm);
            $this->read($sample, 'probe', number_format($ppm * ($i % 2 === 0 ? 1.02 : 0.98), 2), on: '2026-06-'.(1 + $i % 28));
        }
        $bare = $this->area($area->site, 'corn', 'Alder carr');
        $this->read($this->sample($bare), 'probe', '12.0');
        $it = $this->amount($bare);
        self::assertSame('none', $it['kind']);
        self::assertStringContainsString('no verdict on its sort claim', $it['answer']);

        $this->signed($probe, 'sort');
        self::assertSame(
            ['direction', null, 'stands'],
            [($it = $this->amount($bare))['kind'], $it['lb_per_acre'], $it['verdict']],
        );
        $this->signed($probe, 'rate');
        $it = $this->amount($bare);
        self::assertStringContainsString('whose rate stands', $it['answer']);
        $it = $this->amount($bare, ['crop' => 'corn']);
        // The nitrate test before side-dressing is made for a foot, and this composite stands for less.
        self::assertStringContainsString('0-12 in', implode(' ', $it['reasons']));
        self::assertSame('action', $it['kind']);
    }

    private function signed(TestMethod $test, string $claim): void
    {
        $this->actingAs($this->reviewer);
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $test->id])->json('hash');
        $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => $claim,
                'hash' => $hash, 'password' => 'peat',
                'follows_id' => null,
                'scope' => 'Reed probe at Fen End.',
                'note' => '',
            ],
            ['method' => $test->id],
        )
            ->assertCreated()
            ->assertJsonPath('verdict', 'stands');
        $this->actingAs($this->technician);
    }

    private function newMethod(
        string $code,
        string $analyte,
        string $portion,
        string $extractant,
        ?float $uncertainty = null,
    ): TestMethod {
        return TestMethod::query()->create([
            'code' => $code,
            'name' => "Reed {$code}",
            'analyte' => $analyte,
            'workplace' => $portion,
            'extractant' => $extractant,
            'school' => null,
            'bands' => null,
            'uncertainty' => $uncertainty,
            'lot' => '',
        ]);
    }

    /**
     * @param array<string, mixed> $query
     * @return array<string, mixed>
     */
    private function amount(Area $area, array $query = []): array
    {
        return $this->api('GET', '/areas/{area}/amounts', ids: ['area' => $area->id], query: $query)
            ->assertOk()
            ->json('analytes.0');
    }
}
