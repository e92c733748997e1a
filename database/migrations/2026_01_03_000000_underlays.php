<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Pictures of a site that lie under its map. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('underlays', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->string('name');
            $table->string('file');
            $table->string('mime');
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->json('known');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('underlays');
    }
};
