<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

final class ComparisonTest extends ApiTestCase
{
    private const INPUT = ['ground' => 'stated', 'mean_ph' => 6.0, 'sd_ph' => 0.4, 'range_m' => 60, 'fields' => 12, 'seed' => 4, 'cores_in_composite' => 20, 'cores_in_cell' => 10, 'stakes' => [], 'results' => ''];

    public function test_six_schemes_stand_side_by_side_with_their_error(): void
    {
        $it = $this->compare()->assertOk();

        self::assertSame(['one composite', '3 zones', '10-acre cells', '5-acre cells', '2.5-acre cells', '1-acre cells'], array_column($it->json('schemes'), 'name'));
        self::assertCount(1, array_filter($it->json('schemes'), static fn (array $s): bool => $s['best']));
        self::assertSame([12, 4, 6], [$it->json('fields'), $it->json('seed'), (int) $it->json('lime_ph')]);
        self::assertGreaterThan(0, $it->json('schemes.0.total_money.1'));
        self::assertSame($it->json('schemes'), $this->compare()->json('schemes'), 'the same seed gives the same answer');
    }

    public function test_asked_line_by_line_it_tells_how_far_it_is(): void
    {
        $area = $this->area();
        $response = $this->postJson("/api/areas/{$area->id}/comparison", ['fields' => 30] + self::INPUT, ['Accept' => 'application/x-ndjson'])->assertOk();
        $lines = array_map(static fn (string $line): mixed => json_decode($line, true), explode("\n", trim($response->streamedContent())));

        self::assertSame([['done' => 10, 'of' => 30], ['done' => 20, 'of' => 30], ['done' => 30, 'of' => 30]], array_slice($lines, 0, 3));
        self::assertCount(6, $lines[3]['result']['schemes']);
    }

    public function test_the_stakes_turn_the_answer(): void
    {
        $dear = $this->compare(['stakes' => ['lab_fee' => 900]]);
        $free = $this->compare(['stakes' => ['lab_fee' => 0, 'wage_per_hour' => 0, 'loss_per_acre_and_ph' => 500]]);
        $best = static fn (TestResponse $r): string => array_values(array_filter($r->json('schemes'), static fn (array $s): bool => $s['best']))[0]['name'];

        self::assertSame('one composite', $best($dear));
        self::assertNotSame('one composite', $best($free));
    }

    public function test_earlier_results_may_stand_for_the_ground_or_be_fitted(): void
    {
        $rows = ['longitude,latitude,ph'];
        for ($i = 0; $i < 16; $i++) {
            $rows[] = (-76.2818 + 0.0004 * ($i % 4)).','.(42.9142 + 0.0003 * intdiv($i, 4)).','.($i % 4 < 2 ? 5.4 : 7.4);
        }
        $results = $this->compare(['ground' => 'results', 'results' => implode("\n", $rows)])->assertOk();
        $fitted = $this->compare(['ground' => 'fitted', 'results' => implode("\n", $rows)])->assertOk();

        self::assertSame([16, null], [$results->json('results'), $results->json('model')]);
        self::assertGreaterThan($results->json('schemes.5.missed_acres.0'), $results->json('schemes.0.missed_acres.0'), 'one composite misses what cells find');
        self::assertEqualsWithDelta(6.4, $fitted->json('model.mean'), 1e-9);
        self::assertGreaterThan(0.5, $fitted->json('model.sd'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'a spread below nothing' => [['sd_ph' => -1], 'errors.sd_ph.0'];
        yield 'no range' => [['range_m' => 0], 'errors.range_m.0'];
        yield 'too many fields' => [['fields' => 5000], 'errors.fields.0'];
        yield 'no results' => [['ground' => 'results'], 'errors.results.0'];
        yield 'results in words' => [['ground' => 'results', 'results' => "longitude,latitude,ph\na,b,c\n"], 'message'];
        yield 'a stake in words' => [['stakes' => ['lab_fee' => 'dear']], 'message'];
        yield 'too few to fit' => [['ground' => 'fitted', 'results' => "longitude,latitude,ph\n1,2,6\n1,3,6\n2,2,6\n"], 'message'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(array $change, string $where): void
    {
        self::assertNotEmpty($this->compare($change)->assertStatus(422)->json($where));
    }

    /**
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function compare(array $change = []): TestResponse
    {
        $area = \App\Models\Area::query()->first() ?? $this->area();

        return $this->api('POST', '/areas/{area}/comparison', $change + self::INPUT, ['area' => $area->id]);
    }
}
