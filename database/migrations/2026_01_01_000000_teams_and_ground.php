<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('teams', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->timestamps();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->string('role');
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('sites', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('name');
            $table->string('letters', 3);
            $table->string('address');
            $table->string('timezone');
            $table->string('units');
            $table->double('latitude');
            $table->double('longitude');
            $table->timestamps();
            $table->unique(['team_id', 'letters']);
        });
        Schema::create('areas', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->string('name');
            $table->string('use');
            $table->text('history');
            $table->json('boundary');
            $table->double('area_m2');
            $table->timestamps();
            $table->unique(['site_id', 'name']);
        });
        Schema::create('landmarks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->string('name');
            $table->json('geometry');
            $table->double('distance_m');
            $table->timestamps();
        });
        Schema::create('plans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('purpose');
            $table->json('spec');
            $table->json('boundary');
            $table->json('layout');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        foreach (['plans', 'landmarks', 'areas', 'sites', 'users', 'teams'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
