<?php

declare(strict_types=1);

namespace Tests\Feature\Prescribe;

use App\Models\TableChange;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** The shelf of a team, its own figures in rule tables, and computations without any record. */
final class ShelfAndTablesTest extends ApiTestCase
{
    private const MEAL = [
        'name' => 'Fen meal', 'kind' => 'meal', 'grades' => ['n' => 5, 'k2o' => 2, 's' => null], 'cce' => null, 'p8' => null, 'p60' => null,
        'water' => null, 'density' => 0.6, 'bag_lb' => 40, 'price' => 18.5, 'most' => null, 'organic' => true, 'slow' => true,
        'ammonium' => false, 'nitrate' => false, 'off' => false,
    ];

    public function test_a_shelf_begins_with_what_ships_and_no_price(): void
    {
        $shelf = $this->api('GET', '/shelf')->assertOk()->json('products');
        self::assertGreaterThanOrEqual(20, count($shelf));
        self::assertSame([null], array_values(array_unique(array_column($shelf, 'price'))));
        self::assertSame([false], array_values(array_unique(array_column($shelf, 'own'))));
        foreach (array_column($shelf, 'cautions') as $cautions) {
            self::assertNotSame([], $cautions);
        }
    }

    public function test_a_product_is_added_changed_and_taken_off_again(): void
    {
        $made = $this->api('POST', '/shelf', self::MEAL)->assertCreated()->json();
        self::assertSame(['own-fen-meal', '5-0-2', true, false], [$made['code'], $made['grade'], $made['own'], $made['ships']]);
        $this->api('POST', '/shelf', self::MEAL)->assertStatus(409);
        $this->change($made['code'], ['price' => 21.0] + self::MEAL)->assertOk();
        self::assertEquals(21.0, $this->shelf()['own-fen-meal']['price']);
        $this->deleteJson("/api/shelf/{$made['code']}")->assertNoContent();
        self::assertArrayNotHasKey('own-fen-meal', $this->shelf());
        $this->deleteJson("/api/shelf/{$made['code']}")->assertNotFound();
    }

    public function test_one_that_ships_is_changed_and_put_back(): void
    {
        $urea = array_diff_key($this->shelf()['urea'], array_flip(
            ['code', 'grade', 'effectiveness', 'lb_per_cup', 'cautions', 'own', 'ships'],
        ));
        $this->change('urea', ['price' => 28] + $urea)->assertOk();
        self::assertEquals([28.0, true], [$this->shelf()['urea']['price'], $this->shelf()['urea']['own']]);
        $this->deleteJson('/api/shelf/urea')->assertNoContent();
        self::assertNull($this->shelf()['urea']['price']);
        $this->change('urea', ['price' => 28] + $urea)->assertOk();
        [$stranger] = $this->team('Carr crew', 'carr');
        $this->actingAs($stranger);
        self::assertNull($this->shelf()['urea']['price'], 'another team has its own shelf');
    }

    public function test_odd_products_are_refused_in_words(): void
    {
        foreach (
            [
                ['name' => ''], ['kind' => 'dust'], ['grades' => ['n' => 70, 'k2o' => 40]], ['grades' => ['gold' => 4]], ['price' => -1],
                ['density' => 9], ['bag_lb' => 0], ['cce' => 90, 'p8' => 40, 'p60' => 60],
            ] as $odd
        ) {
            $this->api('POST', '/shelf', $odd + self::MEAL)->assertStatus(422);
        }
        self::assertSame(0, DB::table('shelf_products')->count());
    }

    public function test_figures_of_a_team_go_before_those_that_ship_and_a_site_before_its_team(): void
    {
        [$site, $other] = [$this->site(), $this->site('CE')];
        $this->table($site->id, ['changes' => ['p.corn.0' => 25]])->assertForbidden();
        $this->actingAs($this->reviewer);
        $this->table($site->id, ['changes' => ['p.corn.0' => 25]])->assertOk()->assertJsonPath('change.site_only', false);
        $this->table($site->id, ['changes' => ['p.corn.0' => 30], 'site_only' => true])->assertOk();
        self::assertEquals([30.0, 25.0], [$this->corn($site->id), $this->corn($other->id)]);
        // Without figures those that ship are back, and what was before is kept.
        $this->table($site->id, ['changes' => (object) [], 'site_only' => true])->assertOk();
        self::assertEquals(25.0, $this->corn($site->id));
        self::assertSame(3, TableChange::query()->count());
        foreach (
            [
                ['changes' => ['p.corn.0' => 99]], ['changes' => ['p.hops.0' => 9]], ['changes' => ['p.corn.0' => -1]], ['source' => 'me'],
                ['dated' => '2099-01-01'],
            ] as $odd
        ) {
            $this->table($site->id, $odd + ['changes' => ['p.corn.0' => 25]])->assertStatus(422);
        }
        $none = ['changes' => ['schools.smp.cce' => 0], 'source' => 'Trial of the county, 2025.', 'dated' => '2026-01-15'];
        $this->putJson("/api/sites/{$site->id}/rule-tables/lime-schools", $none + ['site_only' => false])->assertStatus(422);
        $this->api(
            'PUT',
            '/sites/{site}/rule-tables/{table}',
            ['changes' => ['p' => 1], 'source' => 'Trial of the county.', 'dated' => '2026-01-01', 'site_only' => false],
            ['site' => $site->id, 'table' => 0],
        )->assertNotFound();
    }

    public function test_each_computation_answers_as_its_command_does(): void
    {
        $tools = $this->api('GET', '/reckoner')->assertOk()->json();
        self::assertCount(12, $tools);
        foreach ($tools as $tool) {
            $given = [];
            foreach ($tool['fields'] as $field) {
                $given[$field['name']] = $field['example'] !== '' ? $field['example'] : ($field['default'] !== ''
                    ? $field['default']
                    : ($field['choices'] !== [] ? end($field['choices']) : ''));
            }
            $given = match ($tool['code']) {
                'nutrients' => ['school' => 'build', 'crop' => 'corn', 'analyte' => 'p'] + $given,
                'sulphur' => ['texture' => 'loam', 'fizz' => 'no'] + $given,
                default => $given,
            };
            $found = $this->reckon($tool['code'], $given)->assertOk()->json();
            self::assertNotSame([], $found['facts'], $tool['code']);
            self::assertNotSame([], $found['working'], $tool['code']);
        }
    }

    public function test_a_bad_figure_is_refused_by_the_words_of_the_command(): void
    {
        $wide = $this->reckon('cores', ['sd' => 'wide', 'margin' => '0.2'])->assertStatus(422);
        self::assertStringContainsString('--sd', $wide->json('message'));
        self::assertStringContainsString('need', $this->reckon('mix', ['file' => '{"products":[]}'])->assertStatus(422)->json('message'));
        self::assertStringNotContainsString('/tmp', $this->reckon('metals', ['file' => "value\nlots", 'limit' => '80'])->json('message'));
        $this->postJson('/api/reckoner/gold', ['given' => []])->assertNotFound();
        self::assertSame([], glob(sys_get_temp_dir().'/hc-reckon*'), 'nothing is left behind');
        // 25 lb N as 15.5-0-0 is 161.29 lb (common practice).
        $mix = $this->reckon('mix', ['file' => '{"need":{"n":25},"products":[{"name":"lime nitrate","cost":1,"n":15.5}]}'])->json('facts');
        self::assertEqualsWithDelta(161.29, $mix['products'][0]['amount'], 0.005);
    }

    /**
     * @param array<string, string> $given
     * @return TestResponse<Response>
     */
    private function reckon(string $tool, array $given): TestResponse
    {
        return $this->postJson("/api/reckoner/{$tool}", ['given' => $given]);
    }

    /**
     * @param array<string, mixed> $with
     * @return TestResponse<Response>
     */
    private function table(int $site, array $with): TestResponse
    {
        return $this->putJson(
            "/api/sites/{$site}/rule-tables/nutrient-limits",
            $with + ['source' => 'Trial of the county, 2025.', 'dated' => '2026-01-15', 'site_only' => false],
        );
    }

    private function corn(int $site): float
    {
        $tables = $this->api('GET', '/sites/{site}/rule-tables', ids: ['site' => $site])->assertOk()->json();
        $figures = array_column($tables, 'figures', 'name')['nutrient-limits'];
        $figure = array_values(array_filter($figures, static fn (array $one): bool => $one['path'] === 'p.corn.0'))[0];

        return (float) ($figure['own'] ?? $figure['shipped']);
    }

    /** @return array<string, array<string, mixed>> */
    private function shelf(): array
    {
        return array_column($this->api('GET', '/shelf')->json('products'), null, 'code');
    }

    /**
     * @param array<string, mixed> $row
     * @return TestResponse<Response>
     */
    private function change(string $code, array $row): TestResponse
    {
        return $this->putJson("/api/shelf/{$code}", $row);
    }
}
