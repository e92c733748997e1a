<?php

declare(strict_types=1);

use HonestCore\Sampling\WalkTime;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Plans with layers, cells, zones, rows and a start; schools of a team's own; facts of an area. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('samples', function (Blueprint $table): void {
            $table->unsignedInteger('composite')->default(1);
            $table->dropUnique(['team_id', 'submission']);
            $table->unique(['team_id', 'submission', 'depth']);
        });
        Schema::table('sites', function (Blueprint $table): void {
            $table->string('school')->nullable();
        });
        Schema::table('areas', function (Blueprint $table): void {
            $table->json('facts')->default('{}');
        });
        Schema::create('school_profiles', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('code');
            $table->json('row');
            $table->timestamps();
            $table->unique(['team_id', 'code']);
        });
        foreach (DB::table('plans')->get(['id', 'spec', 'layout']) as $plan) {
            $spec = json_decode($plan->spec, true);
            $layout = json_decode($plan->layout, true);
            $depth = $spec['depth'] ?? '0-6in';
            unset($spec['depth']);
            $spec += [
                'school' => null,
                'layers' => [$depth],
                'cell_acres' => null,
                'cell_mode' => 'over',
                'rows' => null,
                'zones' => null,
                'start' => null,
                'speed_km_per_h' => null,
                'seconds_per_core' => null,
                'kept_reason' => null,
            ];
            $cores = array_map(static fn (array $core): array => ['composite' => 1] + $core, $layout['cores']);
            $layout = ['cores' => $cores] +
                $layout + [
                    'composites' => [['number' => 1, 'cores' => count($cores), 'walk_m' => $layout['walk_m']]],
                    'minutes' => WalkTime::minutes((float) $layout['walk_m'], count($cores)),
                    'layers' => [
                        ['notation' => $depth, 'text' => $depth, 'volume_ml' => $layout['bucket']['composite_ml']],
                    ],
                    'rows' => null,
                ];
            $layout['margin'] += ['source' => $spec['ph_sd'] === null ? 'usual' : 'stated', 'composites' => 0];
            DB::table('plans')
                ->where('id', $plan->id)
                ->update(['spec' => json_encode($spec), 'layout' => json_encode($layout)]);
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('school_profiles');
        Schema::table('areas', static fn (Blueprint $table) => $table->dropColumn('facts'));
        Schema::table('sites', static fn (Blueprint $table) => $table->dropColumn('school'));
        Schema::table('samples', function (Blueprint $table): void {
            $table->dropUnique(['team_id', 'submission', 'depth']);
            $table->dropColumn('composite');
            $table->unique(['team_id', 'submission']);
        });
    }
};
