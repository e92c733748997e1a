<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What phones note in the field, written once, and sample codes that labels carry before there is a sample. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('pull_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('plan_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->unsignedInteger('composite');
            $table->string('uuid');
            $table->string('device');
            $table->unsignedInteger('ordinal');
            $table->unsignedInteger('sequence');
            $table->string('outcome');
            $table->string('reason');
            $table->dateTime('said_at')->comment('by the clock of the phone');
            $table->dateTime('noted_at')->comment('the same, mended by how far that clock was off');
            $table->double('longitude')->nullable();
            $table->double('latitude')->nullable();
            $table->double('accuracy_m')->nullable();
            $table->json('settles');
            $table->boolean('late')->default(false)->comment('arrived after the composite was made');
            $table->timestamps();
            $table->unique(['team_id', 'uuid']);
            $table->index(['plan_id', 'composite']);
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER pull_entries_no_{$act} BEFORE {$act} ON pull_entries BEGIN SELECT RAISE(ABORT, ".
                    "'pull_entries are written once; add a new row'); END",
            );
        }
        Schema::create('reserved_codes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->foreignId('plan_id')->constrained();
            $table->unsignedInteger('composite');
            $table->string('depth');
            $table->unsignedSmallInteger('year');
            $table->unsignedInteger('number');
            $table->timestamps();
            $table->unique(['site_id', 'year', 'number']);
            $table->unique(['plan_id', 'composite', 'depth', 'year']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('reserved_codes');
        Schema::dropIfExists('pull_entries');
    }
};
