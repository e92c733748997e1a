<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The newest composites of an area are asked for on every page that recommends. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('samples', static fn (Blueprint $table) => $table->index(['team_id', 'area_id', 'pulled_on']));
    }

    public function down(): void
    {
        Schema::table('samples', static fn (Blueprint $table) => $table->dropIndex(['team_id', 'area_id', 'pulled_on']));
    }
};
