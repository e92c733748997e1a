<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Models\EvidenceSummary;
use App\Models\Lab;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** Evidence of any pair of methods, with what was left out, taken apart, and what would settle it. */
final class FullEvidenceTest extends ApiTestCase
{
    public function test_a_lab_stands_beside_a_lab_and_never_by_another_extractant(): void
    {
        [$other, $salt] = [
            $this->labMethod('Alder, pH', 'ph', 'water'),
            $this->labMethod('Alder, pH in salt', 'ph', 'cacl2'),
        ];
        $area = $this->area();
        foreach ([5.2, 5.6, 6.0, 6.4, 6.8, 7.2] as $ph) {
            $sample = $this->sample($area);
            $this->read($sample, 'lab-ph', (string) $ph);
            $this->found($sample, $other, $ph + 0.1);
            $this->found($sample, $salt, $ph - 0.6);
        }
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $other->id])->assertOk();

        self::assertSame(
            [6, 'lab-ph'],
            [
                count($evidence->json('pairs.rows')),
                TestMethod::query()->whereKey($evidence->json('reference.id'))->value('code'),
            ],
        );
        self::assertEqualsWithDelta(0.1, $evidence->json('difference.mean'), 1e-9);
        self::assertSame([$this->method('lab-ph')->id], array_column($evidence->json('references'), 'id'));
        $this->api('GET', '/evidence/{method}', ids: ['method' => $salt->id])->assertStatus(409);
        $this->api(
            'GET',
            '/evidence/{method}',
            ids: ['method' => $other->id],
            query: ['reference' => $salt->id],
        )->assertStatus(409);
        $lines = array_column($this->api('GET', '/evidence')->json('rows'), null, 'method_id');
        self::assertSame([6, 'lab'], [$lines[$other->id]['pairs'], $lines[$other->id]['workplace']]);
        self::assertArrayNotHasKey($salt->id, $lines);
    }

    public function test_a_kit_beside_a_pen_is_looked_at_and_never_signed(): void
    {
        $pen = $this->numberTest('pen', 'ph');
        $sample = $this->pair($this->area(), '5.5', '5.60');
        $this->reading($sample, $pen, ['value' => 6.4]);
        $kit = $this->method('kit-ph')->id;
        $evidence = $this->api(
            'GET',
            '/evidence/{method}',
            ids: ['method' => $kit],
            query: ['reference' => $pen->id],
        )->assertOk();
        self::assertSame(
            [['pen', 1], false],
            [[$evidence->json('reference.code'), count($evidence->json('pairs.rows'))], $evidence->json('pairs.rows.0.same')],
        );
        $sign = [
            'claim' => 'sort',
            'hash' => $evidence->json('hash'), 'password' => 'peat',
            'follows_id' => null,
            'scope' => 'The kit beside the pen, here.',
            'note' => '',
            'reference_id' => $pen->id,
        ];
        self::assertStringContainsString(
            'signed against a lab alone',
            $this->actingAs($this->reviewer)
                ->api('POST', '/evidence/{method}/verdicts', $sign, ['method' => $kit])
                ->assertStatus(409)
                ->json('message'),
        );
    }

    /** A card read between two bands counts by the middle of both where that reader is the reference of another. */
    public function test_a_reader_as_reference_counts_by_the_middles_of_bands(): void
    {
        $sample = $this->sample($this->area());
        $this->reading($sample, $this->method('kit-ph'), ['band' => '5.5', 'between' => '6.0']);
        $this->reading($sample, $this->method('kit-ph'), ['band' => '6.0', 'reader' => 'Bram Heather']);
        $evidence = $this->api(
            'GET',
            '/evidence/{method}',
            ids: ['method' => $this->method('kit-ph')->id],
            query: ['reader' => 'Bram Heather', 'against' => 'Ada Fenwright'],
        )->assertOk();

        self::assertEqualsWithDelta(5.75, $evidence->json('pairs.rows.0.reference'), 1e-9);
        self::assertEqualsWithDelta(0.25, $evidence->json('difference.mean'), 1e-9);
    }

    /** What would serve best first: actions that were asked too little, then what is near a limit. */
    public function test_portions_at_hand_are_offered_by_what_they_would_settle(): void
    {
        $area = $this->area();
        foreach (['5.0' => '5.02', '6.5' => '6.51'] as $band => $ph) {
            foreach (range(1, 5) as $i) {
                $this->pair($area, (string) $band, $ph);
            }
        }
        $this->pair($area, '7.5', '7.60');
        $at = [];
        foreach (['7.35', '6.45', '8.00', '5.95', '5.10'] as $ph) {
            $sample = $this->sample($area);
            $this->read($sample, 'lab-ph', $ph);
            $at[$sample->id] = $ph;
        }
        $portions = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])
            ->assertOk()
            ->json('needs.portions');

        self::assertSame(
            [
                '7.35' => 'too high was asked once so far; the lab itself is too close to a limit to be sure',
                '8.00' => 'too high was asked once so far',
                '5.95' => 'another pair for lime; the lab itself is too close to a limit to be sure',
                '6.45' => 'another pair for leave',
                '5.10' => 'another pair for lime',
            ],
            array_combine(
                array_map(static fn (array $one): string => $at[$one['sample_id']], $portions),
                array_column($portions, 'why'),
            ),
        );
        $this->method('kit-ph')->update(['lot' => 'K-9']);
        $again = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->json('needs.portions');
        self::assertCount(6, $again, 'what the lot of before has read may be read with the new one');
        self::assertStringEndsWith('with lot K-9', $again[2]['why']);
    }

    public function test_one_reader_stands_beside_another(): void
    {
        $area = $this->area();
        foreach (['5.0', '5.5', '6.5', '7.0', '7.5'] as $i => $band) {
            $sample = $this->sample($area);
            $this->read($sample, 'kit-ph', $band);
            $this->read($sample, 'lab-ph', '6.0');
            Reading::query()->latest('id')->firstOrFail();
            $this->reading($sample, $this->method('kit-ph'), [
                'band' => $i === 1 ? '6.5' : $band,
                'reader' => 'Bram Heather',
            ]);
        }
        $method = $this->method('kit-ph')->id;
        $evidence = $this->api(
            'GET',
            '/evidence/{method}',
            ids: ['method' => $method],
            query: ['reader' => 'Bram Heather', 'against' => 'Ada Fenwright'],
        )->assertOk();

        self::assertSame(
            ['Ada Fenwright', 5, 4],
            [
                $evidence->json('against'),
                count($evidence->json('pairs.rows')),
                $evidence->json('claims.sort.computed.agree'),
            ],
        );
        self::assertNull($evidence->json('claims.sort.signed'));
        self::assertSame(['Ada Fenwright', 'Bram Heather'], $evidence->json('readers'));
        $this->api(
            'GET',
            '/evidence/{method}',
            ids: ['method' => $method],
            query: ['reader' => 'Bram Heather'],
        )->assertStatus(422);
    }

    /** A kit says potassium is depleted where the lab says normal; both agree that it is high (common practice). */
    public function test_potassium_depleted_against_normal_and_values_below_a_limit_are_shown_and_left_out(): void
    {
        [$lab, $kit] = [
            $this->labMethod('Marl, K', 'k', 'mehlich-3'),
            $this->bandKit('capsule-k', 'k', [['depleted', 0, 80], ['adequate', 80, 170], ['surplus', 170, null]]),
        ];
        $area = $this->area();
        foreach (
            [['depleted', 150.0], ['depleted', 145.0], ['surplus', 240.0], ['surplus', 300.0], ['depleted', 60.0]] as [$band, $value]
        ) {
            $sample = $this->sample($area);
            $this->reading($sample, $kit, ['band' => $band]);
            $this->found($sample, $lab, $value);
        }
        $censored = $this->sample($area);
        $this->reading($censored, $kit, ['band' => 'depleted']);
        $this->found($censored, $lab, null, 'below', '<20');
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->assertOk();

        self::assertSame(
            [5, 3],
            [$evidence->json('claims.sort.computed.n'), $evidence->json('claims.sort.computed.agree')],
        );
        self::assertSame(
            [[1, 0, 0], [2, 0, 0], [0, 0, 2]],
            $evidence->json('matrix'),
            'potash would have been wasted twice',
        );
        self::assertSame(['<20 ppm'], array_column($evidence->json('censored'), 'said'));
        self::assertTrue($evidence->json('difference.ratio'));
        self::assertSame(
            ['build up' => 1, 'maintain' => 2, 'none' => 2],
            array_column($evidence->json('needs.classes'), 'n', 'action'),
        );
    }

    public function test_what_has_no_logarithm_is_left_out_and_said_whatever_the_policy_says_of_flags(): void
    {
        [$lab, $probe] = [$this->labMethod('Marl, nitrate', 'no3n', 'kcl'), $this->numberTest('probe', 'no3n')];
        $area = $this->area();
        foreach ([[10.0, 11.0], [20.0, 18.0], [0.0, 4.0], [12.0, 0.0], [30.0, 31.0]] as [$value, $found]) {
            $sample = $this->sample($area);
            $this->reading($sample, $probe, ['value' => $value]);
            $this->found($sample, $lab, $found);
        }
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $probe->id])->assertOk();
        self::assertSame([3, 2], [count($evidence->json('pairs.rows')), count($evidence->json('left_out.rows'))]);
        self::assertSame('0 or less where ratios are taken', $evidence->json('left_out.rows.0.flags.0'));
        self::assertSame(3, $evidence->json('claims.sort.with_all.n'), 'no policy can put a logarithm of nothing in');
        self::assertStringNotContainsString('NAN', strtoupper((string) $evidence->getContent()));
    }

    public function test_the_pairs_are_taken_apart_and_the_page_says_what_would_settle_it(): void
    {
        $area = $this->area();
        $other = $this->area($area->site, name: 'Heath piece');
        $other->update(['facts' => ['textures' => ['organic']] + $other->facts]);
        foreach (['5.0' => '5.02', '6.5' => '6.51'] as $band => $ph) {
            for ($i = 0; $i < 5; $i++) {
                $this->pair($i < 2 ? $area : $other, (string) $band, $ph);
            }
        }
        $unread = $this->sample($area);
        $this->read($unread, 'lab-ph', '7.60');
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->assertOk();
        $strata = array_filter($evidence->json('strata'), static fn (array $one): bool => $one['by'] === 'ground');

        self::assertSame(['Heath piece' => 6, 'Sedge meadow' => 4], array_column($strata, 'n', 'group'));
        self::assertSame(
            ['Heath piece' => 'open', 'Sedge meadow' => 'too few'],
            array_column($strata, 'verdict', 'group'),
        );
        self::assertSame(
            ['5 to 6' => 'open', '6 to 7' => 'open'],
            array_column(
                array_filter($evidence->json('strata'), static fn (array $one): bool => $one['by'] === 'pH range'),
                'verdict',
                'group',
            ),
            'five are enough to be judged',
        );
        self::assertSame(
            ['not said' => 4, 'organic' => 6],
            array_column(
                array_filter($evidence->json('strata'), static fn (array $one): bool => $one['by'] === 'soil class'),
                'n',
                'group',
            ),
        );
        self::assertSame(
            [0, 3],
            [$evidence->json('needs.classes.2.n'), $evidence->json('needs.classes.2.lacks')],
            'too high was never asked',
        );
        self::assertStringContainsString('No pair below pH 5.0 and none above 6.6', $evidence->json('needs.scope.0'));
        self::assertSame('None lies between 5.0 and 6.5.', $evidence->json('needs.scope.1'));
        self::assertSame(
            [$unread->id, 'too high was asked never so far'],
            [$evidence->json('needs.portions.0.sample_id'), $evidence->json('needs.portions.0.why')],
        );
        self::assertLessThan($evidence->json('needs.often'), $evidence->json('needs.once'));
        self::assertSame([4, 10], [$evidence->json('needs.once'), $evidence->json('needs.often')]);
    }

    /**
     * Ranges stand from low to high, whatever they are called, and lots in the order they were opened, so that a drift
     * reads as one.
     */
    public function test_ranges_and_lots_stand_in_their_order(): void
    {
        $area = $this->area();
        foreach (
            [
                ['4.5', '4.40', 'Z-1', '2026-05-03'],
                ['5.0', '5.00', 'Z-1', '2026-05-04'],
                ['6.5', '5.99', 'A-2', '2026-09-03'],
                ['6.5', '6.00', 'A-2', '2026-09-04'],
                ['7.5', '8.30', 'Z-1', '2026-10-05'],
            ] as [$band, $ph, $lot, $day]
        ) {
            $sample = $this->sample($area);
            $this->read($sample, 'kit-ph', $band, on: $day);
            Reading::query()
                ->latest('id')
                ->firstOrFail()
                ->corrected(['lot' => $lot]);
            $this->read($sample, 'lab-ph', $ph);
        }
        $strata = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])
            ->assertOk()
            ->json('strata');
        $by = static fn (string $way): array => array_column(
            array_filter($strata, static fn (array $one): bool => $one['by'] === $way),
            'n',
            'group',
        );

        self::assertSame(
            ['below 5' => 1, '5 to 6' => 2, '6 to 7' => 1, '8 and above' => 1],
            $by('pH range'),
            'a value on an edge belongs above it',
        );
        self::assertSame(['Z-1' => 3, 'A-2' => 2], $by('lot'));
        self::assertSame(['lime' => 3, 'leave' => 1, 'too high' => 1], $by('action by the reference'));
        self::assertSame([], $by('season'), 'one season is no group');
        $differences = array_column(
            array_filter($strata, static fn (array $one): bool => $one['by'] === 'lot'),
            'difference',
            'group',
        );
        self::assertEqualsWithDelta([(0.1 + 0.0 - 0.8) / 3, (0.51 + 0.5) / 2], array_values($differences), 1e-9);
    }

    public function test_a_steady_bias_of_a_pen_would_be_taken_out_and_nothing_is_applied(): void
    {
        $pen = $this->numberTest('pen', 'ph');
        $area = $this->area();
        foreach (range(0, 11) as $i) {
            $sample = $this->sample($area);
            $ph = 5.0 + 0.2 * $i;
            $this->read($sample, 'lab-ph', number_format($ph, 2));
            $this->reading($sample, $pen, ['value' => $ph + 0.4 + 0.02 * ($i % 3)]);
        }
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $pen->id])->assertOk();
        $trial = $evidence->json('corrections.0');
        self::assertTrue($trial['helps']);
        self::assertEqualsWithDelta(0.42, $trial['before']['mean'], 1e-9);
        self::assertEqualsWithDelta(0.0, $trial['after']['mean'], 0.02);
        self::assertEqualsWithDelta(
            5.4,
            Reading::query()->where('method_id', $pen->id)->orderBy('id')->firstOrFail()->value,
            1e-9,
        );
        self::assertEqualsWithDelta(0.42, $evidence->json('difference.mean'), 1e-9);
        self::assertNotNull($evidence->json('regression.passing_bablok.slope_ci'));
    }

    public function test_a_kit_of_potassium_is_judged_by_the_extractant_its_limits_are_made_for(): void
    {
        [$olsen, $mehlich] = [
            $this->labMethod('Alder, K acetate', 'k', 'ammonium-acetate'),
            $this->labMethod('Marl, K', 'k', 'mehlich-3'),
        ];
        $kit = $this->bandKit('capsule-k', 'k', [['low', 0, 120], ['high', 120, null]]);
        $sample = $this->sample($this->area());
        $this->reading($sample, $kit, ['band' => 'low']);
        $this->found($sample, $olsen, 80.0);
        $this->found($sample, $mehlich, 150.0);
        self::assertSame(
            $mehlich->id,
            $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->assertOk()->json('reference.id'),
            'though the other is older',
        );
        self::assertSame(
            $mehlich->id,
            array_column($this->api('GET', '/evidence')->json('rows'), null, 'method_id')[$kit->id]['reference_id'],
        );
        self::assertSame(
            [$mehlich->id, $olsen->id],
            array_column(
                $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->json('references'),
                'id',
            ),
        );
        $this->labMethod('Alder, pH of some kind', 'ph', '');
        $this->pair($sample->area, '5.5', '5.60');
        self::assertSame(
            'lab-ph',
            $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->json(
                'reference.code',
            ),
            'limits of pH hold for any extractant: the lab the team began with',
        );
    }

    /** @return array<string, array{list<array{float, float}>}> */
    public static function degenerate(): array
    {
        return [
            'one pair' => [[[6.0, 6.1]]],
            'a constant test' => [array_fill(0, 9, [6.0, 6.1])],
            'all ties' => [array_fill(0, 12, [6.5, 6.5])],
            'a constant reference' => [array_map(static fn (int $i): array => [5.0 + $i / 10, 6.0], range(0, 9))],
            'two pairs' => [[[6.0, 6.1], [7.0, 7.2]]],
            'a falling line' => [array_map(static fn (int $i): array => [8.0 - $i / 5, 5.0 + $i / 5], range(0, 11))],
            'tiny differences' => [array_map(static fn (int $i): array => [6.0 + $i * 1e-12, 6.0], range(0, 9))],
            'huge numbers' => [array_map(static fn (int $i): array => [1e11 + $i, 1e11 - $i], range(0, 9))],
        ];
    }

    /** @param list<array{float, float}> $values test and reference */
    #[DataProvider('degenerate')]
    public function test_figures_without_spread_to_rest_on_are_null_and_never_no_number(array $values): void
    {
        $pen = $this->numberTest('pen', 'ph');
        $area = $this->area();
        foreach ($values as [$value, $reference]) {
            $sample = $this->sample($area);
            $this->reading($sample, $pen, ['value' => $value]);
            $this->reading($sample, $this->method('lab-ph'), ['value' => $reference]);
        }
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $pen->id])->assertOk();
        self::assertCount(count($values), $evidence->json('pairs.rows'));
        self::assertDoesNotMatchRegularExpression('/\bNAN\b|\bINF\b|-Infinity|:NaN/', (string) $evidence->getContent());
        self::assertContains(
            $evidence->json('claims.sort.computed.verdict'),
            count($values) < 5 ? ['untested'] : ['stands', 'falls', 'open'],
        );
        $this->api('GET', '/evidence')->assertOk();
        $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk();
        $costs = [
            'lab_fee' => 18,
            'lab_minutes' => 8,
            'test_fee' => 1,
            'test_minutes' => 10,
            'hour' => 30,
            'under' => 120,
            'over' => 60,
            'drift' => 0.1,
        ];
        self::assertContains(
            $this->api('POST', '/evidence/{method}/strategies', $costs, ['method' => $pen->id])->status(),
            [200, 409],
        );
    }

    /** A nitrogen kit has no lab partner (common practice): it stays untested, and is shown. */
    public function test_a_kit_without_a_partner_stays_untested(): void
    {
        $kit = $this->bandKit('capsule-n', 'nh4n', [['low', 0, 10], ['high', 10, null]]);
        $line = array_column($this->api('GET', '/evidence')->json('rows'), null, 'method_id')[$kit->id];
        self::assertStringContainsString('no partner: it stays untested', $line['untested']);
        $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->assertStatus(409);
    }

    public function test_the_list_is_told_from_what_was_stored_until_something_it_rests_on_changes(): void
    {
        $sample = $this->pair($this->area(), '5.5', '5.60');
        $first = $this->api('GET', '/evidence')->json();
        self::assertSame(1, EvidenceSummary::query()->count());
        $queries = 0;
        DB::listen(static function ($query) use (&$queries): void {
            $queries += str_contains($query->sql, 'from "readings" where "method_id"') ? 1 : 0;
        });
        self::assertSame($first, $this->api('GET', '/evidence')->json());
        self::assertSame(0, $queries, 'no reading was looked at');
        $this->read($sample, 'kit-ph', '6.0');
        $this->api('GET', '/evidence');
        self::assertGreaterThan(0, $queries);
        Reading::query()
            ->latest('id')
            ->firstOrFail()
            ->corrected(['flags' => ['spilled']]);
        $sample->area->update(['use' => 'blueberry']);
        self::assertNotNull($first['rows'][0]['claims']['sort']);
        self::assertSame(1, EvidenceSummary::query()->count());
    }

    private function labMethod(string $name, string $analyte, string $extractant): TestMethod
    {
        $lab = $this->lab($name);

        return TestMethod::query()->create([
            'code' => "lab-{$lab->id}",
            'name' => $name,
            'analyte' => $analyte,
            'workplace' => 'lab',
            'school' => null,
            'bands' => null,
            'uncertainty' => null,
            'lot' => '',
            'lab_id' => $lab->id,
            'extractant' => $extractant,
        ]);
    }

    /** @param list<array{string, float|int, float|int|null}> $bands */
    private function bandKit(string $code, string $analyte, array $bands): TestMethod
    {
        return TestMethod::query()->create([
            'code' => $code,
            'name' => $code,
            'analyte' => $analyte,
            'workplace' => 'bench',
            'school' => null,
            'uncertainty' => null,
            'lot' => '',
            'bands' => array_map(
                static fn (array $band): array => ['name' => $band[0], 'lower' => $band[1], 'upper' => $band[2]],
                $bands,
            ),
        ]);
    }

    private function numberTest(string $code, string $analyte): TestMethod
    {
        return TestMethod::query()->create([
            'code' => $code,
            'name' => $code,
            'analyte' => $analyte,
            'workplace' => 'bench',
            'school' => null,
            'uncertainty' => null,
            'lot' => '',
            'bands' => null,
        ]);
    }

    /** @param array<string, mixed> $what */
    private function reading(Sample $sample, TestMethod $method, array $what): void
    {
        $portion = $sample
            ->portions()
            ->where('kind', $method->workplace === 'lab' ? 'lab' : 'bench')
            ->firstOrFail();
        Reading::query()->create(
            $what + [
                'sample_id' => $sample->id,
                'portion_id' => $portion->id,
                'method_id' => $method->id,
                'created_by' => $this->technician->id,
                'value' => null,
                'band' => null,
                'as_reported' => (string) ($what['value'] ?? $what['band']),
                'read_on' => '2026-09-05',
                'reader' => 'Ada Fenwright',
                'flags' => [],
                'note' => '',
                'lot' => '',
            ],
        );
    }

    private function found(
        Sample $sample,
        TestMethod $method,
        ?float $value,
        string $kind = 'number',
        string $shown = '',
    ): void {
        $portion = Portion::query()->where('sample_id', $sample->id)->where('kind', 'lab')->firstOrFail();
        $report = LabReport::query()->firstOrCreate(
            ['sha256' => str_repeat('a', 64)],
            [
                'created_by' => $this->technician->id,
                'file_name' => 'x.csv',
                'rows' => 1,
                'read_on' => '2026-09-06',
                'lab_id' => $method->lab_id,
            ],
        );
        LabResult::query()->create([
            'report_id' => $report->id,
            'portion_id' => $portion->id,
            'method_id' => $method->id,
            'row' => 1,
            'kind' => $kind,
            'value' => $value,
            'as_reported' => $shown,
            'unit' => 'ppm',
            'form' => '',
            'lab_number' => '',
        ]);
        if ($value !== null) {
            $this->reading($sample, $method, ['value' => $value]);
        }
    }

    public function test_a_pair_goes_by_the_lot_and_the_reader_of_its_last_reading(): void
    {
        $kit = $this->method('kit-ph');
        $sample = $this->pair($this->area(), '6.0', '6.10');
        $kit->update(['lot' => 'L-2']);
        $this->read($sample, 'kit-ph', '6.0', on: '2026-09-09');

        $pair = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->json('pairs.rows.0');

        self::assertSame('L-2', $pair['lot']);
    }
}
