<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('plan_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('code')->index();
            $table->unsignedSmallInteger('year');
            $table->unsignedInteger('number');
            $table->string('depth');
            $table->date('pulled_on');
            $table->string('pulled_by');
            $table->unsignedInteger('cores_planned');
            $table->unsignedInteger('cores_pulled');
            $table->text('note');
            $table
                ->string('submission')
                ->nullable()
                ->comment('names one hand-in of the phone, so that a repeated one stores nothing');
            $table->timestamps();
            $table->unique(['site_id', 'year', 'number']);
            $table->unique(['team_id', 'submission']);
        });
        Schema::create('core_pulls', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('sample_id')->constrained();
            $table->unsignedInteger('sequence');
            $table->string('outcome');
            $table->string('reason');
            $table->timestamps();
            $table->unique(['sample_id', 'sequence']);
        });
        Schema::create('portions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('sample_id')->constrained();
            $table->string('kind');
            $table->string('code');
            $table->timestamps();
            $table->unique(['team_id', 'code']);
            $table->unique(['sample_id', 'kind']);
        });
        Schema::create('methods', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('code');
            $table->string('name');
            $table->string('analyte');
            $table->string('portion');
            $table->string('school')->nullable();
            $table->json('bands')->nullable();
            $table
                ->double('uncertainty')
                ->nullable()
                ->comment('expanded, coverage factor 2, in the unit of the analyte');
            $table->string('lot');
            $table->timestamps();
            $table->unique(['team_id', 'code']);
        });
        Schema::create('imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('file_name');
            $table->string('sha256', 64);
            $table->unsignedInteger('rows');
            $table->timestamps();
            $table->unique(['team_id', 'sha256']);
        });
        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('sample_id')->constrained();
            $table->foreignId('portion_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('import_id')->nullable()->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->foreignId('corrects_id')->nullable()->unique()->constrained('readings');
            $table->double('value')->nullable();
            $table->string('band')->nullable();
            $table->string('as_reported');
            $table->date('read_on');
            $table->string('reader');
            $table->json('flags');
            $table->text('note');
            $table->timestamps();
            $table->index(['method_id', 'sample_id']);
        });
    }

    public function down(): void
    {
        foreach (['readings', 'imports', 'methods', 'portions', 'core_pulls', 'samples'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
