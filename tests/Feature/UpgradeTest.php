<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Plans\SavePlan;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\Support\Command;

/** What an older version stored is still there, and whole, after an upgrade. */
final class UpgradeTest extends ApiTestCase
{
    public function test_plans_saved_before_composites_had_an_outline(): void
    {
        $plan = app(SavePlan::class)
            ->new($this->area(), $this->technician, self::spec(['cell_acres' => 1.5]))
            ->refresh();
        $migration = require database_path('migrations/2026_01_03_000001_plan_figures.php');
        // What came later goes first.
        Schema::table('plans', static fn (Blueprint $plans) => $plans->dropIndex('plans_newest'));
        $migration->down();
        $layout = json_decode(json_encode($plan->layout->toRow(), JSON_THROW_ON_ERROR), true);
        self::assertIsArray($layout);
        $before = $layout['cores'];
        foreach (array_keys($layout['composites']) as $i) {
            unset($layout['composites'][$i]['outline']);
        }
        DB::table('plans')
            ->where('id', $plan->id)
            ->update(['layout' => json_encode($layout)]);
        $migration->up();

        $after = $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])->assertOk();
        self::assertSame($before, $after->json('layout.cores'));
        self::assertSame([[]], array_unique(array_column($after->json('layout.composites'), 'outline'), SORT_REGULAR));
        $line = $this->api('GET', '/plans', query: ['site_id' => $plan->area->site_id])->json('0');
        self::assertEquals(
            [$plan->composites, $plan->walk_m, $plan->minutes],
            [$line['composites'], $line['walk_m'], $line['minutes']],
        );
        self::assertGreaterThan(1, $line['composites']);
    }

    public function test_portions_of_before_there_were_trails_get_the_first_line_of_theirs_and_nothing_is_lost(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'upgrade');
        $environment = ['DB_DATABASE' => $file, 'APP_KEY' => (string) getenv('APP_KEY')];
        $figure = static function (string $sql) use ($file): string {
            $found = (new \PDO("sqlite:{$file}"))->query($sql);

            return $found === false ? 'refused' : (string) $found->fetchColumn();
        };
        try {
            foreach ([['migrate', '--seed', '--force'], ['migrate:rollback', '--step=18', '--force']] as $command) {
                $run = Command::run($command, '', $environment);
                self::assertSame(0, $run->status, $run->output.$run->error);
            }
            $before = [
                $figure('SELECT COUNT(*) FROM portions'),
                $figure('SELECT COUNT(*) FROM readings'),
                $figure('SELECT GROUP_CONCAT(code) FROM portions'),
            ];
            self::assertGreaterThan(30, (int) $before[0]);
            $run = Command::run(['migrate', '--force'], '', $environment);
            self::assertSame(0, $run->status, $run->output.$run->error);

            self::assertSame($before, [
                $figure('SELECT COUNT(*) FROM portions'),
                $figure('SELECT COUNT(*) FROM readings'),
                $figure('SELECT GROUP_CONCAT(code) FROM portions'),
            ]);
            self::assertSame(
                $before[0],
                $figure("SELECT COUNT(DISTINCT portion_id) FROM custody_lines WHERE step = 'split'"),
            );
            self::assertSame(
                '0',
                $figure(
                    'SELECT COUNT(*) FROM portions WHERE site_id IS NULL OR pulled_at IS NULL OR state <> \'split\'',
                ),
            );
            self::assertSame(
                '1',
                $figure(
                    'SELECT COUNT(*) FROM method_versions v JOIN methods m ON m.id = v.method_id WHERE m.code = '.
                        "'kit-ph' AND v.version = 1 AND v.definition LIKE '%' || m.name || '%'",
                ),
                'the kit of before has the steps that it had',
            );
            self::assertSame(['', 'ok'], [$figure('PRAGMA foreign_key_check'), $figure('PRAGMA integrity_check')]);
        } finally {
            array_map(static fn (string $end): bool => @unlink($file.$end), ['', '-wal', '-shm']);
        }
    }

    public function test_tables_take_their_new_names_with_all_that_is_in_them_and_give_them_back(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'upgrade');
        $environment = ['DB_DATABASE' => $file, 'APP_KEY' => (string) getenv('APP_KEY')];
        $run = static function (string ...$command) use ($environment): void {
            $ran = Command::run(array_values($command), '', $environment);
            self::assertSame(0, $ran->status, $ran->output.$ran->error);
        };
        $pdo = static fn (): \PDO => new \PDO("sqlite:{$file}", options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $sums = static function (array $tables) use ($pdo): array {
            $figure = static function (string $table, string $what) use ($pdo): mixed {
                $found = $pdo()->query("SELECT {$what} FROM {$table}");

                return $found === false ? null : $found->fetchColumn();
            };

            return array_map(static fn (array $one): array => array_map(
                static fn (string $what): mixed => $figure($one[0], $what),
                array_slice($one, 1),
            ), $tables);
        };
        $of = static fn (string $report, string $marks, string $lines, string $id, string $workplace): array => [
            [$report, 'COUNT(*)', 'SUM(rows)', 'GROUP_CONCAT(sha256)'],
            [$marks, 'COUNT(*)', 'SUM(at_ms)'],
            [$lines, 'COUNT(*)', 'GROUP_CONCAT(uuid)'],
            ['lab_results', "SUM({$id})", 'COUNT(*)'],
            ['readings', "SUM({$id})", 'COUNT(*)'],
            ['report_questions', "SUM({$id})", 'COUNT(*)'],
            ['methods', "GROUP_CONCAT({$workplace})"],
        ];
        $old = $of('imports', 'bench_events', 'custody_events', 'import_id', 'portion');
        $new = $of('lab_reports', 'run_marks', 'custody_lines', 'report_id', 'workplace');
        try {
            $run('migrate', '--seed', '--force');
            $seeded = $sums($new);
            foreach (array_slice($seeded, 0, 4) as [$count]) {
                self::assertGreaterThan(0, (int) $count);
            }
            $run('migrate:rollback', '--step=12', '--force');
            self::assertSame($seeded, $sums($old));
            $run('migrate', '--force');
            self::assertSame($seeded, $sums($new));
            foreach (['custody_lines' => 'place', 'run_marks' => 'kind'] as $table => $column) {
                try {
                    $pdo()->exec("UPDATE {$table} SET {$column} = 'x'");
                    self::fail("{$table} let itself be rewritten.");
                } catch (\PDOException $error) {
                    self::assertStringContainsString("{$table} are written once", $error->getMessage());
                }
            }
            self::assertSame([['ok']], $sums([['pragma_integrity_check', 'integrity_check']]));
            self::assertSame([[0]], $sums([['pragma_foreign_key_check', 'COUNT(*)']]));
        } finally {
            array_map(static fn (string $end): bool => @unlink($file.$end), ['', '-wal', '-shm']);
        }
    }
}
