<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Pairs of kit and lab that were kept in a spreadsheet before: evidence from records, whose protocol nobody knows. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('record_sets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('reference_id')->constrained('methods');
            $table->foreignId('created_by')->constrained('users');
            $table->string('submission', 36);
            $table->string('file_name', 120);
            $table->string('sha256', 64);
            $table->string('use', 40)->comment('what grows there, whose limits the pairs are held against');
            $table->string('says', 500)->comment('where they come from, in words');
            $table->json('mapping');
            $table->json('left_out')->comment('rows that hold no pair, with the reason');
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
            $table->unique(['team_id', 'submission']);
        });
        Schema::create('record_pairs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('set_id')->constrained('record_sets');
            $table->unsignedInteger('row');
            $table->string('sample', 120);
            $table->double('reference');
            $table->string('reference_said', 60);
            $table->double('value')->nullable();
            $table->string('band', 60)->nullable();
            $table->string('as_reported', 60);
            $table->unsignedInteger('year');
            $table->date('read_on')->nullable();
            $table->string('lot', 60);
            $table->string('reader', 120);
            $table->index(['set_id', 'row']);
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER record_pairs_no_{$act} BEFORE {$act} ON record_pairs ".
                    "BEGIN SELECT RAISE(ABORT, 'record_pairs are written once'); END",
            );
        }
        DB::unprepared('CREATE TRIGGER record_sets_no_DELETE BEFORE DELETE ON record_sets BEGIN SELECT RAISE(ABORT, '.
            "'record_sets are written once'); END");
        DB::unprepared(
            'CREATE TRIGGER record_sets_no_UPDATE BEFORE UPDATE OF id, team_id, method_id, reference_id, created_by, submission, '.
                'file_name, sha256, use, says, mapping, left_out, created_at ON record_sets BEGIN SELECT RAISE(ABORT, '.
                "'record_sets are written once; they are withdrawn'); END",
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('record_pairs');
        Schema::dropIfExists('record_sets');
    }
};
