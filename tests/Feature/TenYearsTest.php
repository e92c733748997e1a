<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Evidence\ComputeAhead;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Bench\BusyYears;
use Tests\Bench\Routes;

/** What makes pages slow after ten years shows on little data: queries that grow with it, and plans that read whole tables. */
final class TenYearsTest extends TestCase
{
    use RefreshDatabase;

    public $mockConsoleOutput = false;

    private const LARGE = [
        'samples', 'portions', 'readings', 'lab_results', 'custody_lines', 'core_pulls', 'record_links', 'run_marks', 'bench_tubes',
        'consigned_portions', 'plans', 'programs', 'ground_events', 'glimpses', 'lab_reports', 'consignments',
    ];

    /** Of the reports that are being taken, which are few. */
    private const OF_FEW = 'INDEX lab_reports_in_hand';

    private function grow(string $mark, int $times): void
    {
        $years = new BusyYears(
            DB::connection()->getPdo(), $mark, teams: 0, sites: $times, areas: 2 * $times, parcels: 8 * $times, tests: 2 + $times,
            readings: 40 * $times, ofOneTest: 16 * $times,
        );
        DB::unprepared('PRAGMA defer_foreign_keys = on');
        $years->grow();
        app(ComputeAhead::class)(1);
    }

    /** @return array<string, list<array{sql: string, bindings: list<mixed>}>> queries by route */
    private function asked(): array
    {
        $asked = [];
        foreach (Routes::of(DB::connection()->getPdo(), 1) as $path => $address) {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $answer = $this->getJson($address);
            $answer->isOk() || self::fail("{$address}: {$answer->getStatusCode()} ".substr((string) $answer->getContent(), 0, 300));
            if ($answer->baseResponse instanceof StreamedResponse) {
                $answer->streamedContent();
            }
            DB::disableQueryLog();
            $asked[$path] = array_map(
                static fn (array $one): array => ['sql' => (string) $one['query'], 'bindings' => array_values((array) $one['bindings'])],
                array_values(DB::getQueryLog()),
            );
        }

        return $asked;
    }

    public function test_no_route_asks_more_queries_of_more_data_and_no_plan_reads_a_large_table_through(): void
    {
        $this->seed(DemoSeeder::class);
        $this->actingAs(User::query()->where('email', 'maren@demo.example')->firstOrFail());
        $this->grow('BY', 4);
        // An export is noted, so that there is something to list.
        $this->get('/api/ledger.csv')->assertOk();
        $little = array_map(count(...), $this->asked());
        $this->grow('CY', 4);
        $more = $this->asked();
        $grown = [];
        foreach ($more as $path => $queries) {
            // An export reads all there is, piece by piece.
            if (! in_array($path, Routes::EXPORTS, true) && count($queries) > $little[$path]) {
                $grown[$path] = [$little[$path], count($queries)];
            }
        }
        self::assertSame([], $grown);

        $this->assumeTenYears();
        $read = [];
        foreach ($more as $path => $queries) {
            foreach ($queries as ['sql' => $sql, 'bindings' => $bindings]) {
                foreach ($this->readThrough($sql, $bindings) as $table) {
                    $read["{$path}: {$table}"] = substr($sql, 0, 400);
                }
            }
        }
        self::assertSame([], $read);
    }

    /** The planner is told what tables hold after ten years of a busy team (from bin/bench's database). */
    private function assumeTenYears(): void
    {
        DB::unprepared('ANALYZE');
        DB::unprepared('DELETE FROM sqlite_stat1');
        $rows = json_decode((string) file_get_contents(__DIR__.'/../Support/ten-years-statistics.json'), true, 512, JSON_THROW_ON_ERROR);
        self::assertIsArray($rows);
        foreach ($rows as $row) {
            self::assertIsArray($row);
            DB::insert('INSERT INTO sqlite_stat1 (tbl, idx, stat) VALUES (?, ?, ?)', array_values($row));
        }
        DB::unprepared('ANALYZE sqlite_schema');
    }

    /**
     * @param list<mixed> $bindings
     * @return list<string> large tables that a query reads through
     */
    private function readThrough(string $sql, array $bindings): array
    {
        // What asks for nothing, or for the last row alone, reads nothing through.
        $isLittle = str_contains($sql, ' 0 = 1 ') || str_ends_with($sql, 'order by "id" desc limit 1');
        if ($isLittle || preg_match('/^\s*(select|with|update|delete)/i', $sql) !== 1) {
            return [];
        }
        preg_match_all('/"?(\w+)"?(?: as)? "?(\w+)"?(?= on | where |,|\)| inner| left|$)/i', $sql, $named, PREG_SET_ORDER);
        $aliases = array_column($named, 1, 2);
        $found = [];
        foreach (DB::select("EXPLAIN QUERY PLAN {$sql}", $bindings) as $step) {
            if (! str_contains((string) $step->detail, self::OF_FEW) && preg_match('/^SCAN (\w+)/', (string) $step->detail, $m) === 1) {
                $table = in_array($m[1], self::LARGE, true) ? $m[1] : $aliases[$m[1]] ?? $m[1];
                if (in_array($table, self::LARGE, true)) {
                    $found[] = $table;
                }
            }
        }

        return $found;
    }
}
