<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was really done at the pull, and photos of it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('samples', function (Blueprint $table): void {
            $table->json('conditions')->default('{}')->comment('depth reached, tool, moisture, weather, helper');
            $table
                ->boolean('deviates')
                ->default(false)
                ->comment('follows from conditions and cores, kept here for the ledger');
        });
        DB::statement('UPDATE samples SET deviates = cores_pulled < cores_planned');
        Schema::create('photos', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('sample_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('file')->comment('outside the public folder');
            $table->string('type');
            $table->string('sha256', 64);
            $table->timestamps();
            $table->unique(['sample_id', 'sha256']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('photos');
        Schema::table('samples', fn (Blueprint $table) => $table->dropColumn(['conditions', 'deviates']));
    }
};
