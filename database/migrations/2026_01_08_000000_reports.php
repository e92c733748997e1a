<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Lab reports: every result as it was reported, how a lab's file is read, and what is asked of a report. */
return new class extends Migration
{
    /** SQLite rebuilds tables; references to them are checked again when they are whole. */
    public $withinTransaction = false;

    public function up(): void
    {
        Schema::table('methods', function (Blueprint $table): void {
            $table
                ->foreignId('lab_id')
                ->nullable()
                ->comment('none for the lab that the team began with')
                ->constrained();
            $table->string('extractant')->default('');
            $table->string('instrument')->default('')->comment('icp or colorimetric, where it is said');
        });
        DB::table('methods')
            ->where('portion', 'lab')
            ->where('analyte', 'ph')
            ->update(['extractant' => 'water']);
        DB::table('methods')
            ->where('portion', 'lab')
            ->where('analyte', 'buffer_ph')
            ->update(['extractant' => DB::raw("COALESCE(school, '')")]);
        Schema::table('imports', function (Blueprint $table): void {
            $table->foreignId('lab_id')->nullable()->constrained();
            $table->foreignId('supersedes_id')->nullable()->unique()->constrained('imports');
            $table->date('read_on')->nullable();
            $table->json('mapping')->nullable();
            $table->json('left_out')->default('[]')->comment('rows that were not taken, and why');
        });
        // The team is in every query, so it leads every index that is to be used.
        Schema::table('readings', function (Blueprint $table): void {
            $table->index(['import_id', 'portion_id']);
            $table->index(['team_id', 'portion_id', 'method_id']);
        });
        Schema::create('lab_mappings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('lab_id')->constrained();
            $table->string('fingerprint', 64)->comment('of the names of the columns');
            $table->json('mapping');
            $table->timestamps();
            $table->unique(['lab_id', 'fingerprint']);
        });
        Schema::create('lab_results', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('import_id')->constrained();
            $table->foreignId('portion_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('reading_id')->nullable()->constrained();
            $table->foreignId('superseded_by')->nullable()->constrained('imports');
            $table->unsignedInteger('row');
            $table->string('kind')->comment('number, below, above, range, trace or rating');
            $table->double('value')->nullable()->comment('in the home unit of the analyte');
            $table->double('upper')->nullable();
            $table->string('as_reported');
            $table->string('unit');
            $table->string('form')->default('');
            $table->string('lab_number')->default('');
            $table->string('excluded')->default('')->comment('why it is left out, when it is');
            $table->timestamps();
            $table->index(['team_id', 'import_id']);
            $table->index(['team_id', 'portion_id', 'method_id']);
            $table->index(['team_id', 'lab_number']);
        });
        Schema::create('report_questions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('import_id')->constrained();
            $table->string('kind');
            $table->text('words');
            $table->json('result_ids');
            $table->string('answer')->nullable()->comment('note, recheck or exclude');
            $table->text('note')->default('');
            $table->foreignId('answered_by')->nullable()->constrained('users');
            $table->dateTime('answered_at')->nullable();
            $table->timestamps();
            $table->index(['team_id', 'import_id']);
        });
    }

    public function down(): void
    {
        foreach (['report_questions', 'lab_results', 'lab_mappings'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('readings', function (Blueprint $table): void {
            $table->dropIndex(['import_id', 'portion_id']);
            $table->dropIndex(['team_id', 'portion_id', 'method_id']);
        });
        Schema::table('imports', function (Blueprint $table): void {
            $table->dropUnique(['supersedes_id']);
            $table->dropConstrainedForeignId('supersedes_id');
            $table->dropConstrainedForeignId('lab_id');
            $table->dropColumn(['read_on', 'mapping', 'left_out']);
        });
        Schema::table('methods', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('lab_id');
            $table->dropColumn(['extractant', 'instrument']);
        });
    }
};
