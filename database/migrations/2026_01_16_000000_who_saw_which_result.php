<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Which result of a lab was first on screen for whom, and when: what is read after it is not read blind. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('glimpses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('reading_id')->constrained();
            $table->timestamp('seen_at');
            $table->unique(['reading_id', 'user_id']);
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER glimpses_no_{$act} BEFORE {$act} ON glimpses ".
                    "BEGIN SELECT RAISE(ABORT, 'glimpses are written once'); END",
            );
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('glimpses');
    }
};
