<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was changed of names, facts, answers and moves, from what to what, so that it can be taken back. Written once. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('record_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('user_id')->nullable()->comment('who did it')->constrained();
            $table->string('kind', 20)->comment('what was changed: site, area, lab, ...');
            $table->unsignedBigInteger('record_id');
            $table->string('name', 120)->comment('of the record, as it was called then');
            $table->json('before')->comment('the fields that changed, as they were');
            $table->json('after')->comment('the same fields since');
            $table->unsignedBigInteger('takes_back')->nullable()->comment('the change that this one took back');
            $table->timestamp('at');
            $table->index(['team_id', 'kind', 'record_id']);
            $table->unique('takes_back');
        });
        Schema::table('teams', static fn (Blueprint $table) => $table->json('prices')->nullable()->comment('what work and lime cost here'));
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER record_changes_no_{$act} BEFORE {$act} ON record_changes ".
                    "BEGIN SELECT RAISE(ABORT, 'what was changed is written once'); END",
            );
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('record_changes');
        Schema::table('teams', static fn (Blueprint $table) => $table->dropColumn('prices'));
    }
};
