<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Policies and verdicts are written once. Triggers hold that also against SQL through the application's own
 * connection: a change is a new row.
 */
return new class extends Migration
{
    private const WRITTEN_ONCE = ['judging_policies', 'verdicts'];

    public function up(): void
    {
        Schema::create('judging_policies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('analyte');
            $table->unsignedInteger('version');
            $table->json('terms');
            $table->text('reason');
            $table->timestamps();
            $table->unique(['team_id', 'analyte', 'version']);
        });
        Schema::create('verdicts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('reference_id')->constrained('methods');
            $table->foreignId('policy_id')->constrained('judging_policies');
            $table->foreignId('signed_by')->constrained('users');
            $table->foreignId('follows_id')->nullable()->unique()->constrained('verdicts');
            $table->string('claim');
            $table->string('verdict');
            $table->json('scope');
            $table->json('evidence');
            $table->string('evidence_hash', 64);
            $table->text('note');
            $table->timestamps();
            $table->index(['method_id', 'claim']);
        });
        foreach (self::WRITTEN_ONCE as $table) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared(
                    "CREATE TRIGGER {$table}_no_{$act} BEFORE {$act} ON {$table} ".
                        "BEGIN SELECT RAISE(ABORT, '{$table} are written once; add a new row'); END",
                );
            }
        }
    }

    public function down(): void
    {
        foreach (array_reverse(self::WRITTEN_ONCE) as $table) {
            Schema::dropIfExists($table);
        }
    }
};
