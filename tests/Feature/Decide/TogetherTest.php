<?php

declare(strict_types=1);

namespace Tests\Feature\Decide;

use App\Models\MethodVersion;
use App\Models\Sample;
use App\Models\TestMethod;
use Tests\Feature\ApiTestCase;

/** All claims of all tests of an analyte under one error rate. */
final class TogetherTest extends ApiTestCase
{
    private const TERMS = [
        'analyte' => 'ph', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.3, 'change' => 0.5, 'crops' => [],
        'reason' => 'One error rate over all that is judged of pH.',
    ];

    public function test_a_claim_that_stands_alone_stays_open_among_others_until_more_pairs_carry_it(): void
    {
        $area = $this->area();
        $this->provenKit($area);
        $kit = $this->method('kit-ph');
        $sort = fn (TestMethod $of): array => $this->api('GET', '/evidence/{method}', ids: ['method' => $of->id])
            ->assertOk()
            ->json('claims.sort.computed');
        self::assertSame('stands', $sort($kit)['verdict']);
        $other = $this->sameKitAgain($kit);
        foreach (Sample::query()->orderBy('id')->limit(8)->get() as $sample) {
            $this->read($sample, $other->code, '6.5', on: '2026-09-'.(2 + $sample->number % 27));
        }
        self::assertSame(
            [['analyte' => 'ph', 'claims' => 2, 'alone' => 14, 'together' => 17]],
            $this->api('GET', '/claims/luck')->assertOk()->json('together'),
        );
        $this->actingAs($this->reviewer);
        $this->api('POST', '/policies', self::TERMS + ['together' => true, 'blind' => false])->assertCreated();
        $this->actingAs($this->technician);
        $lines = fn (): array => array_column($this->api('GET', '/evidence')->json('rows'), null, 'method_id');
        $listed = static fn (): string => $lines()[$kit->id]['claims']['sort']['computed'];

        // 15 clean pairs prove 81.9 % at 95 %, and 78.2 % at the 97.5 % that the first of two claims is asked at.
        self::assertSame('open', $sort($kit)['verdict']);
        self::assertStringContainsString('over the 2 claims', $sort($kit)['reasons'][0]);
        self::assertStringContainsString('97.5 %', $sort($kit)['reasons'][0]);
        self::assertSame('open', $listed(), 'list and page agree');
        self::assertTrue($this->api('GET', '/policies')->json('0.terms.together'));
        foreach ([1, 2] as $i) {
            $this->pair($area, '5.0', '5.02');
        }
        self::assertSame('stands', $sort($kit)['verdict']);
        self::assertSame('stands', $listed());
    }

    /** A second kit of the same kind, so that there is more than one test of pH. */
    private function sameKitAgain(TestMethod $kit): TestMethod
    {
        $version = MethodVersion::query()->where('method_id', $kit->id)->firstOrFail();
        $other = TestMethod::query()->create([...$kit->only(['analyte', 'workplace', 'bands', 'extractant']), 'code' => 'kit-ph-2',
            'name' => 'Sedge capsule kit', 'school' => null, 'uncertainty' => null, 'lot' => '']);
        MethodVersion::query()->create([...$version->only(['version', 'definition', 'why', 'created_by']), 'method_id' => $other->id]);

        return $other;
    }
}
