<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Tables and columns take the words of the field: a report that was taken, one that a lab's interface delivered, the
 * marks of a run, the lines of a portion's trail; a method says where it is worked.
 */
return new class extends Migration
{
    private const TABLES = [
        'lab_reports' => 'delivered_reports',
        'imports' => 'lab_reports',
        'bench_events' => 'run_marks',
        'custody_events' => 'custody_lines',
    ];

    private const COLUMNS = [
        ['lab_results', 'import_id', 'report_id'],
        ['readings', 'import_id', 'report_id'],
        ['report_questions', 'import_id', 'report_id'],
        ['report_papers', 'import_id', 'report_id'],
        ['methods', 'portion', 'workplace'],
    ];

    /** What is written once, and the word of it under its old name. */
    private const ONCE = ['custody_lines' => 'custody_events', 'run_marks' => 'bench_events'];

    public function up(): void
    {
        $this->free(array_values(self::ONCE));
        foreach (self::TABLES as $old => $new) {
            Schema::rename($old, $new);
        }
        foreach (self::COLUMNS as [$table, $old, $new]) {
            Schema::table($table, static fn ($columns) => $columns->renameColumn($old, $new));
        }
        $this->seal(array_keys(self::ONCE));
    }

    public function down(): void
    {
        $this->free(array_keys(self::ONCE));
        foreach (self::COLUMNS as [$table, $old, $new]) {
            Schema::table($table, static fn ($columns) => $columns->renameColumn($new, $old));
        }
        foreach (array_reverse(self::TABLES) as $old => $new) {
            Schema::rename($new, $old);
        }
        $this->seal(array_values(self::ONCE));
    }

    /** @param list<string> $tables */
    private function free(array $tables): void
    {
        foreach ($tables as $table) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared("DROP TRIGGER IF EXISTS {$table}_no_{$act}");
            }
        }
    }

    /** @param list<string> $tables */
    private function seal(array $tables): void
    {
        foreach ($tables as $table) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared(
                    "CREATE TRIGGER {$table}_no_{$act} BEFORE {$act} ON {$table} ".
                        "BEGIN SELECT RAISE(ABORT, '{$table} are written once; add a new line'); END",
                );
            }
        }
    }
};
