<?php

declare(strict_types=1);

use HonestCore\Bench\MethodLibrary;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The bench: methods in versions, runs with their logs, calibrations, probes, readers and transects. */
return new class extends Migration
{
    /** SQLite rebuilds the table of readings; references to it are checked again when it is whole. */
    public $withinTransaction = false;

    private const WRITTEN_ONCE = ['method_versions', 'bench_events'];

    public function up(): void
    {
        Schema::table('methods', function (Blueprint $table): void {
            $table->json('links')->default('[]')->comment('data sheets of the team\'s own');
        });
        Schema::create('method_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('created_by')->nullable()->constrained('users');
            $table->unsignedInteger('version');
            $table->json('definition');
            $table->text('why');
            $table->timestamps();
            $table->unique(['method_id', 'version']);
        });
        Schema::create('reagent_lots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->string('reagent');
            $table->string('lot');
            $table->date('expires_on')->nullable();
            $table->unsignedInteger('price_cents')->nullable();
            $table->unsignedInteger('tests')->nullable()->comment('that the pack is enough for');
            $table->timestamps();
            $table->unique(['method_id', 'reagent', 'lot']);
        });
        $this->probes();
        $this->runs();
        $this->readers();
        $this->transects();
        Schema::table('readings', function (Blueprint $table): void {
            $table->foreignId('method_version_id')->nullable()->constrained();
            $table->foreignId('run_id')->nullable()->constrained('bench_runs');
            $table->string('between')->nullable()->comment('the other band of a colour between two');
            $table->string('lot')->default('');
            $table
                ->json('detail')
                ->nullable()
                ->comment('drops, heights and shares, times of steps, what broke the protocol in words');
            $table->index('run_id');
        });
        $this->firstVersions();
        foreach (self::WRITTEN_ONCE as $name) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared(
                    "CREATE TRIGGER {$name}_no_{$act} BEFORE {$act} ON {$name} BEGIN SELECT RAISE(ABORT, '{$name} are written once'); END",
                );
            }
        }
    }

    private function probes(): void
    {
        Schema::create('calibrations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('instrument');
            $table->boolean('in_millivolts');
            $table->double('celsius');
            $table->json('points');
            $table->double('slope_percent');
            $table->double('offset')->comment('mV or pH, as the pen shows');
            $table->double('residual');
            $table->json('reasons')->comment('why it is not fit, empty when it is');
            $table->dateTime('at');
            $table->double('check_buffer')->nullable();
            $table->double('drift')->nullable()->comment('pH, after the run');
            $table->dateTime('drift_at')->nullable();
            $table->timestamps();
            $table->index(['team_id', 'instrument', 'at']);
        });
    }

    private function runs(): void
    {
        Schema::create('bench_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('method_version_id')->constrained();
            $table->foreignId('calibration_id')->nullable()->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('submission');
            $table->string('state')->default('open');
            $table->json('readers');
            $table->json('said')->comment('option by condition');
            $table->double('celsius')->nullable();
            $table->double('depth_cm')->nullable()->comment('of the water in a jar');
            $table->json('lots');
            $table->json('steps')->comment('with the seconds of every wait');
            $table->unsignedBigInteger('started_ms')->comment('by the clock of the device that leads it');
            $table->dateTime('finished_at')->nullable();
            $table->double('elapsed_s')->nullable();
            $table->double('attention_s')->nullable();
            $table->unsignedInteger('cost_cents')->nullable();
            $table->text('note');
            $table->timestamps();
            $table->unique(['team_id', 'submission']);
            $table->index(['team_id', 'state']);
        });
        Schema::create('bench_tubes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('run_id')->constrained('bench_runs');
            $table->foreignId('portion_id')->constrained();
            $table->unsignedInteger('number');
            $table->unsignedInteger('replicate');
            $table->timestamps();
            $table->unique(['run_id', 'number']);
            $table->index(['team_id', 'portion_id']);
        });
        Schema::create('bench_events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('run_id')->constrained('bench_runs');
            $table->foreignId('created_by')->constrained('users');
            $table->string('uuid');
            $table->string('kind');
            $table->unsignedInteger('tube');
            $table->unsignedBigInteger('at_ms');
            $table->json('data');
            $table->timestamps();
            $table->unique(['run_id', 'uuid']);
        });
        Schema::create('probe_captures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('run_id')->constrained('bench_runs');
            $table->foreignId('created_by')->constrained('users');
            $table->unsignedInteger('tube');
            $table->json('readings');
            $table->json('gaps');
            $table->boolean('simulated');
            $table->timestamps();
            $table->index(['run_id', 'tube']);
        });
    }

    private function readers(): void
    {
        Schema::create('vision_checks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('reader');
            $table->unsignedInteger('seed');
            $table->json('answers');
            $table->boolean('passed');
            $table->unsignedInteger('right');
            $table->unsignedInteger('plates');
            $table->string('words');
            $table->date('taken_on');
            $table->timestamps();
            $table->index(['team_id', 'reader']);
        });
        Schema::create('practice_rounds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('reader');
            $table->string('source')->comment('screen or bench');
            $table->json('tubes')->comment('what each really is');
            $table->json('answers')->nullable();
            $table->json('score')->nullable();
            $table->timestamps();
            $table->index(['team_id', 'method_id']);
        });
    }

    private function transects(): void
    {
        Schema::create('transects', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->date('read_on');
            $table->string('reader');
            $table->string('instrument');
            $table->double('row_spacing_cm');
            $table->json('places');
            $table->text('note');
            $table->timestamps();
            $table->index(['team_id', 'area_id']);
        });
        Schema::create('ground_events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('kind')->comment('application or rain');
            $table->date('on');
            $table->string('what');
            $table->double('amount');
            $table->string('unit');
            $table->timestamps();
            $table->index(['team_id', 'area_id']);
        });
    }

    /**
     * Kits of before get the first version of their definition: the capsule that ships, with their own name and bands.
     */
    private function firstVersions(): void
    {
        foreach (DB::table('methods')->where('portion', 'bench')->whereNotNull('bands')->get() as $method) {
            $definition = MethodLibrary::get('capsule-ph')->toArray();
            $definition['name'] = mb_substr($method->name, 0, 80);
            $definition['analyte'] = $method->analyte;
            $colours = array_column($definition['scale']['bands'], 'colour', 'name');
            $definition['scale']['bands'] = array_map(
                static fn (array $band): array => [
                    ...$band,
                    ...isset($colours[$band['name']]) ? ['colour' => $colours[$band['name']]] : [],
                ],
                json_decode($method->bands, true),
            );
            DB::table('method_versions')->insert([
                'team_id' => $method->team_id,
                'method_id' => $method->id,
                'version' => 1,
                'definition' => json_encode($definition, JSON_THROW_ON_ERROR),
                'why' => 'As it was used until now.',
                'created_at' => now(),
                'updated_at' => now(),
            ]);
        }
    }

    public function down(): void
    {
        Schema::table('readings', function (Blueprint $table): void {
            $table->dropIndex(['run_id']);
            $table->dropConstrainedForeignId('method_version_id');
            $table->dropConstrainedForeignId('run_id');
            $table->dropColumn(['between', 'lot', 'detail']);
        });
        foreach (
            [
                'ground_events',
                'transects',
                'practice_rounds',
                'vision_checks',
                'probe_captures',
                'bench_events',
                'bench_tubes',
                'bench_runs',
                'calibrations',
                'reagent_lots',
                'method_versions',
            ] as $table
        ) {
            Schema::dropIfExists($table);
        }
        Schema::table('methods', fn (Blueprint $table) => $table->dropColumn('links'));
    }
};
