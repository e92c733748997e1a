<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The lab's own paper of a report, kept beside what was read from its file; written once. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('report_papers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('import_id')->constrained('imports');
            $table->foreignId('created_by')->constrained('users');
            $table->string('name', 120);
            $table->string('type', 60);
            $table->string('file', 200);
            $table->unsignedInteger('bytes');
            $table->char('sha256', 64);
            $table->timestamps();
            $table->unique(['import_id', 'sha256']);
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER report_papers_no_{$act} BEFORE {$act} ON report_papers BEGIN SELECT RAISE(ABORT, ".
                    "'report_papers are written once'); END",
            );
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('report_papers');
    }
};
