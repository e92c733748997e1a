<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Glimpse;
use App\Models\LabReport;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;

/** Lists of what grows with the years come some at a time; every line is on one page, and on one alone. */
final class PagesOfListsTest extends ApiTestCase
{
    /** Copies of a row, each with another value of one column where it has to be its own. */
    private function copies(string $table, int $id, int $times, string $own = '', string $value = ''): void
    {
        $columns = array_values(array_diff(DB::getSchemaBuilder()->getColumnListing($table), ['id']));
        $values = array_map(static fn (string $one): string => $one === $own ? $value : "\"{$one}\"", $columns);
        DB::insert(
            "WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < {$times}) INSERT INTO {$table} (\"".
                implode('", "', $columns).'") SELECT '.implode(', ', $values)." FROM {$table}, n WHERE {$table}.id = {$id}",
        );
    }

    /**
     * @param array<string, string|int|float> $query
     * @param array<string, int> $ids
     * @return list<mixed> of all pages, one after the other
     */
    private function all(string $path, string $key, array $query = [], array $ids = []): array
    {
        $first = $this->api('GET', $path, query: $query, ids: $ids)->assertOk();
        $found = array_column($first->json('rows'), $key);
        for ($page = 2; $page <= $first->json('pages'); $page++) {
            $more = $this->api('GET', $path, query: [...$query, 'page' => $page], ids: $ids)->assertOk();
            self::assertSame([$page, $first->json('total')], [$more->json('page'), $more->json('total')]);
            $found = [...$found, ...array_column($more->json('rows'), $key)];
        }
        $past = $this->api('GET', $path, query: [...$query, 'page' => 999], ids: $ids)->assertOk();
        self::assertSame($first->json('pages'), $past->json('page'), 'past the last is the last');
        $this->api('GET', $path, query: [...$query, 'page' => 0], ids: $ids)->assertUnprocessable();
        self::assertGreaterThan(1, $first->json('pages'));
        self::assertCount($first->json('total'), $found);
        self::assertCount($first->json('total'), array_unique($found));

        return array_values($found);
    }

    public function test_composites_of_a_site_by_what_has_read_them_and_by_words(): void
    {
        $area = $this->area();
        $read = $this->sample($area);
        $this->read($read, 'kit-ph', '5.5');
        $this->read($read, 'lab-ph', '5.60');
        $this->copies('samples', $this->sample($area)->id, 60, 'number', 'number + i');
        DB::update("UPDATE samples SET code = 'FN26-' || number || '-X' WHERE code = 'FN26-02-X' OR number > 2");
        $other = $this->sample($this->area($area->site, name: 'Alder strip'));
        $of = ['site_id' => $area->site_id];

        $all = $this->all('/samples', 'code', $of);
        self::assertSame(Sample::query()->orderByDesc('year')->orderByDesc('number')->pluck('code')->all(), $all);
        $kit = $this->method('kit-ph')->id;
        $waiting = $this->all('/samples', 'code', [...$of, 'not_read_by' => $kit]);
        self::assertSame(array_values(array_diff($all, [$read->code])), $waiting);
        $asked = fn (array $what): array => array_column($this->api('GET', '/samples', query: [...$of, ...$what])->json('rows'), 'code');
        self::assertSame([$read->code], $asked(['read_by' => $kit]));
        self::assertSame([$other->code], $asked(['q' => 'alder']));
        self::assertSame([$other->code], $asked(['id' => $other->id]));
        self::assertSame([], $asked(['q' => '%']), 'a sign that SQL would take for any');
        $this->api('GET', '/samples')->assertUnprocessable()->assertJsonValidationErrors('site_id');
    }

    public function test_only_the_composites_of_the_page_count_as_seen(): void
    {
        $area = $this->area();
        $old = $this->sample($area);
        $this->read($old, 'lab-ph', '5.60');
        $this->copies('samples', $this->sample($area)->id, 55, 'number', 'number + i');
        $this->actingAs($this->reviewer);

        $this->api('GET', '/samples', query: ['site_id' => $area->site_id])->assertOk();
        self::assertSame(0, Glimpse::query()->count());
        $this->api('GET', '/samples', query: ['site_id' => $area->site_id, 'page' => 2])->assertOk();
        self::assertSame($old->readings()->pluck('id')->all(), Glimpse::query()->pluck('reading_id')->all());
    }

    public function test_pairs_come_worst_first_and_pictures_have_all_of_them(): void
    {
        $area = $this->area();
        $this->pair($area, '5.5', '5.60');
        $far = $this->pair($area, '5.5', '7.60');
        foreach (range(1, 52) as $i) {
            $this->pair($area, '5.5', '5.60');
            $this->pair($area, '6.5', '6.4'.$i % 10);
        }
        $out = $this->sample($area);
        $this->read($out, 'kit-ph', '7.0', ['spilled']);
        $this->read($out, 'lab-ph', '5.60');
        $kit = $this->method('kit-ph')->id;
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit])->assertOk();

        self::assertSame([106, 100, 2], [
            $evidence->json('pairs.total'), count($evidence->json('pairs.rows')), $evidence->json('pairs.pages'),
        ]);
        $codes = $this->all('/evidence/{method}/pairs', 'code', ids: ['method' => $kit]);
        self::assertSame([$far->code, 106], [$codes[0], count($codes)]);
        self::assertSame(array_slice($codes, 0, 100), array_column($evidence->json('pairs.rows'), 'code'));
        $left = $this->api('GET', '/evidence/{method}/pairs', query: ['out' => 1], ids: ['method' => $kit])->assertOk();
        self::assertSame([$out->code], array_column($left->json('rows'), 'code'));
        $dots = array_column($evidence->json('dots'), null, 'code');
        self::assertCount(107, $dots);
        self::assertTrue($dots[$out->code]['out']);
        self::assertEqualsWithDelta(7.6, $dots[$far->code]['reference'], 1e-9);
        self::assertFalse($dots[$far->code]['same']);
        self::assertSame([5.6, 7.6], [$evidence->json('ranges.reference_from'), $evidence->json('ranges.reference_to')]);
    }

    public function test_how_uncertain_a_series_is_does_not_hang_on_the_page(): void
    {
        $area = $this->area();
        TestMethod::query()->create([
            'code' => 'pen', 'name' => 'Pen', 'analyte' => 'ph', 'workplace' => 'bench', 'school' => null, 'uncertainty' => null,
            'lot' => '', 'bands' => null,
        ]);
        foreach (range(1, 8) as $i) {
            $twice = $this->sample($area);
            $this->read($twice, 'pen', '6.0');
            $this->read($twice, 'pen', '6.2');
        }
        $once = $this->sample($area);
        $this->read($once, 'pen', '6.4');
        $this->copies('samples', $once->id, 110, 'number', 'number + i');
        DB::insert(
            'INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, value, as_reported, read_on, reader, flags, '.
                'note, lot, created_at, updated_at) SELECT r.team_id, s.id, r.portion_id, r.method_id, r.created_by, 6.4, 6.4, '.
                "r.read_on, r.reader, '[]', '', '', r.created_at, r.updated_at FROM samples s, readings r ".
                "WHERE s.id > {$once->id} AND r.sample_id = {$once->id}",
        );
        $page = fn (int $n) => $this->api('GET', '/side-by-side', query: ['analyte' => 'ph', 'page' => $n])->assertOk();

        self::assertSame([100, 19], [count($page(1)->json('rows')), count($page(2)->json('rows'))]);
        self::assertSame('repeats', $page(1)->json('series.0.uncertainty_from'));
        self::assertSame($page(1)->json('series'), $page(2)->json('series'));
        self::assertSame([['id' => $area->id, 'name' => 'Sedge meadow']], $page(2)->json('areas'));
    }

    public function test_reports_and_verdicts(): void
    {
        $lab = $this->lab('Alder Laboratory');
        $own = $this->lab('Rush Laboratory');
        foreach (range(1, 30) as $i) {
            LabReport::query()->create([
                'team_id' => $this->technician->team_id, 'created_by' => $this->technician->id, 'lab_id' => $i % 2 ? $lab->id : $own->id,
                'file_name' => "alder_{$i}.csv", 'rows' => 1, 'sha256' => hash('sha256', "{$i}"), 'mapping' => [],
            ]);
        }
        self::assertCount(30, $this->all('/reports', 'file_name'));
        $of = $this->api('GET', '/reports', query: ['replaces_for' => $own->id])->assertOk();
        self::assertSame([15, $own->id], [$of->json('total'), $of->json('rows.0.lab_id')]);
        self::assertSame(1, $this->api('GET', '/reports', query: ['q' => 'ALDER_30'])->json('total'));

        $this->provenKit($this->area());
        $this->actingAs($this->reviewer);
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->json('hash');
        $first = $this->api('POST', '/evidence/{method}/verdicts', [
            'claim' => 'sort', 'hash' => $hash, 'reference_id' => $this->method('lab-ph')->id, 'follows_id' => null,
            'scope' => 'The kit here.', 'note' => '', 'password' => 'peat',
        ], ids: ['method' => $this->method('kit-ph')->id])->assertCreated()->json('id');
        DB::unprepared('DROP TRIGGER IF EXISTS verdicts_once');
        $this->copies('verdicts', $first, 26, 'follows_id', 'NULL');
        $ids = $this->all('/verdicts', 'id');
        self::assertSame(SignedVerdict::query()->orderByDesc('id')->pluck('id')->all(), $ids);
        $rules = fn (int $page): array => array_column(
            $this->api('GET', '/verdicts/todays-rules', query: ['page' => $page])->assertOk()->json(), 'verdict_id',
        );
        self::assertSame([array_slice($ids, 0, 25), array_slice($ids, 25)], [$rules(1), $rules(2)]);
        self::assertCount(27, $this->api('GET', '/verdicts.json')->assertOk()->json());
    }

    public function test_one_answer_has_all_that_a_first_page_waits_for(): void
    {
        $this->app['auth']->logout();
        $this->api('GET', '/start')->assertUnauthorized();
        $this->actingAs($this->technician);
        self::assertSame([[], null], [$this->api('GET', '/start')->json('sites'), $this->api('GET', '/start')->json('site')]);
        $this->site();
        $second = $this->site('BG');
        $chosen = $this->api('GET', '/start', query: ['site' => $second->id])->assertOk();
        self::assertSame(
            [$this->api('GET', '/session')->json(), $this->api('GET', '/sites')->json(), $second->id],
            [$chosen->json('me'), $chosen->json('sites'), $chosen->json('site.id')],
        );
        self::assertSame($chosen->json('site'), $this->api('GET', '/sites/{site}', ids: ['site' => $second->id])->json());
        $gone = $this->api('GET', '/start', query: ['site' => 999])->assertOk();
        self::assertSame($gone->json('sites.0.id'), $gone->json('site.id'), 'one that is gone, or of others, is not shown');
    }

    public function test_tests_with_their_evidence_and_the_page_of_one(): void
    {
        $this->provenKit($area = $this->area());
        foreach (range(1, 44) as $i) {
            TestMethod::query()->create([
                'code' => "pen-{$i}", 'name' => "Pen {$i}", 'analyte' => 'ph', 'workplace' => 'bench', 'school' => null,
                'uncertainty' => null, 'lot' => '', 'bands' => null,
            ]);
        }
        $ids = $this->all('/evidence', 'method_id');
        $last = $this->method('pen-44')->id;
        $page = $this->api('GET', '/evidence', query: ['method' => $last])->assertOk();
        self::assertSame([2, true], [$page->json('page'), in_array($last, array_column($page->json('rows'), 'method_id'), true)]);
        self::assertContains($last, $ids);
        self::assertSame(1, $this->api('GET', '/evidence', query: ['q' => 'pen 44'])->json('total'));
        self::assertSame(0, $this->api('GET', '/evidence')->json('moved'));

        $this->actingAs($this->reviewer);
        $kit = $this->method('kit-ph');
        $hash = $this->api('GET', '/evidence/{method}', ids: ['method' => $kit->id])->json('hash');
        $this->api('POST', '/evidence/{method}/verdicts', [
            'claim' => 'sort', 'hash' => $hash, 'reference_id' => $this->method('lab-ph')->id, 'follows_id' => null,
            'scope' => 'The kit here.', 'note' => '', 'password' => 'peat',
        ], ids: ['method' => $kit->id])->assertCreated();
        $this->pair($area, '5.5', '5.60');
        foreach ([1, 2] as $n) {
            self::assertSame(1, $this->api('GET', '/evidence', query: ['page' => $n])->json('moved'), 'counted on every page');
        }
    }
}
