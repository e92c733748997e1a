<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A report is taken in pieces, which nobody sees before it is whole: only while it is being taken may its rows go away
 * again. A team that came from another database keeps the numbers its record was made with.
 */
return new class extends Migration
{
    /** Tables with rows of a report, and the report's number in them. */
    private const OF_REPORT = [
        'readings' => 'report_id',
        'lab_results' => 'report_id',
        'result_marks' => 'superseded_by',
        'lab_reports' => 'id',
    ];

    private const BACK = "(OLD.state = 'taken' AND NEW.state <> 'taken') OR (OLD.state = 'sealing' AND NEW.state = 'taking')";

    /** What was left out is said once; the state may go on after it. */
    private const LEFT_OUT = "(OLD.left_out <> '[]' AND NEW.left_out IS NOT OLD.left_out)";

    public function up(): void
    {
        Schema::table('lab_reports', function (Blueprint $table): void {
            $table->string('state', 10)->default('taken')->comment('taking, sealing, taken: only what is taken is seen');
        });
        Schema::table('teams', function (Blueprint $table): void {
            $table->unsignedBigInteger('numbers_from')->default(0)->comment('by how much its numbers lie above those of its record');
        });
        DB::unprepared("CREATE INDEX lab_reports_in_hand ON lab_reports (id) WHERE state <> 'taken'");
        DB::unprepared(
            'CREATE TRIGGER lab_reports_state BEFORE UPDATE OF state ON lab_reports WHEN '.self::BACK.
                " BEGIN SELECT RAISE(ABORT, 'a report that was taken stays taken'); END",
        );
        $this->exchange("(OLD.left_out <> '[]')", self::LEFT_OUT);
        foreach (self::OF_REPORT as $name => $column) {
            DB::unprepared("DROP TRIGGER {$name}_no_DELETE");
            DB::unprepared(
                "CREATE TRIGGER {$name}_no_DELETE BEFORE DELETE ON {$name} WHEN NOT EXISTS ".
                    "(SELECT 1 FROM lab_reports r WHERE r.id = OLD.{$column} AND r.state = 'taking') ".
                    "BEGIN SELECT RAISE(ABORT, '{$name} are written once; add a new row'); END",
            );
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::OF_REPORT) as $name) {
            DB::unprepared("DROP TRIGGER {$name}_no_DELETE");
            DB::unprepared(
                "CREATE TRIGGER {$name}_no_DELETE BEFORE DELETE ON {$name} ".
                    "BEGIN SELECT RAISE(ABORT, '{$name} are written once; add a new row'); END",
            );
        }
        $this->exchange(self::LEFT_OUT, "(OLD.left_out <> '[]')");
        DB::unprepared('DROP TRIGGER lab_reports_state');
        DB::unprepared('DROP INDEX lab_reports_in_hand');
        Schema::table('teams', static fn (Blueprint $table) => $table->dropColumn('numbers_from'));
        Schema::table('lab_reports', static fn (Blueprint $table) => $table->dropColumn('state'));
    }

    /** One condition of the trigger that keeps reports as they are. */
    private function exchange(string $old, string $new): void
    {
        $trigger = DB::scalar("SELECT sql FROM sqlite_master WHERE name = 'lab_reports_no_UPDATE'");
        if (! is_string($trigger) || ! str_contains($trigger, $old)) {
            throw new LogicException('The trigger that keeps reports is not as it was made.');
        }
        DB::unprepared('DROP TRIGGER lab_reports_no_UPDATE');
        DB::unprepared(str_replace($old, $new, $trigger));
    }
};
