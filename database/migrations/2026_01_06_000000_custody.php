<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Portions on their way: trails that are written once, labs, consignments and reports as they came. */
return new class extends Migration
{
    /** SQLite rebuilds the table of portions; references to it are checked again when it is whole. */
    public $withinTransaction = false;

    public function up(): void
    {
        Schema::create('check_soils', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('name');
            $table->json('known')->comment('value and expanded uncertainty by analyte');
            $table->text('note');
            $table->timestamps();
            $table->unique(['team_id', 'name']);
        });
        Schema::table('portions', function (Blueprint $table): void {
            $table->dropUnique(['sample_id', 'kind']);
            $table->foreignId('sample_id')->nullable()->comment('none for a check soil')->change();
        });
        Schema::table('portions', function (Blueprint $table): void {
            $table->foreignId('site_id')->nullable()->constrained();
            $table->foreignId('check_soil_id')->nullable()->constrained();
            $table
                ->unsignedSmallInteger('year')
                ->nullable()
                ->comment('with number: of a portion that goes under a running number of its own');
            $table->unsignedInteger('number')->nullable();
            $table->unsignedInteger('volume_ml')->nullable();
            $table->json('tests')->default('[]');
            $table->string('state')->default('split')->comment('follows from the trail, kept here for lists');
            $table->string('place')->default('');
            $table->dateTime('pulled_at')->nullable()->comment('when the clock of storage began');
            $table->dateTime('state_at')->nullable();
            $table->dateTime('deadline_at')->nullable();
            $table->index(['team_id', 'sample_id']);
            $table->index(['team_id', 'state']);
            $table->index(['team_id', 'deadline_at']);
            $table->unique(['site_id', 'year', 'number']);
        });
        Schema::create('custody_events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('portion_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('uuid')->comment('of the submission and the portion: the same line is written once');
            $table->string('step');
            $table->dateTime('at')->comment('when it happened');
            $table->string('place');
            $table->string('condition');
            $table->double('celsius')->nullable();
            $table->string('corrects')->nullable()->comment('uuid of the line that this one replaces');
            $table->timestamps();
            $table->unique(['team_id', 'uuid']);
            $table->unique(['portion_id', 'corrects']);
            $table->index(['team_id', 'portion_id']);
        });
        // The team is in every query, so it leads every index that is to be used.
        Schema::table('samples', function (Blueprint $table): void {
            $table->index(['team_id', 'year', 'number']);
            $table->index(['team_id', 'plan_id']);
            $table->index('team_id');
        });
        Schema::table('readings', fn (Blueprint $table) => $table->index(['team_id', 'sample_id']));
        Schema::table(
            'plans',
            fn (Blueprint $table) => $table->date('pull_on')->nullable()->comment('the day it is to be pulled'),
        );
        $this->beginTrails();
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER custody_events_no_{$act} BEFORE {$act} ON custody_events BEGIN SELECT RAISE(ABORT, ".
                    "'custody_events are written once; correct a line by a new one'); END",
            );
        }
        $this->labs();
    }

    /** Portions of before get the first line of their trail. */
    private function beginTrails(): void
    {
        DB::statement(
            'UPDATE portions SET site_id = (SELECT site_id FROM samples WHERE samples.id = portions.sample_id), '.
                'state_at = created_at, pulled_at = created_at',
        );
        DB::statement('INSERT INTO custody_events (team_id, portion_id, created_by, uuid, step, at, place, condition,'.
            " created_at, updated_at)
            SELECT p.team_id, p.id, s.created_by, 'split:' || p.id, 'split', p.created_at, '', '', p.created_at, ".
                'p.created_at FROM portions p JOIN samples s ON s.id = p.sample_id');
    }

    private function labs(): void
    {
        Schema::create('labs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('name');
            $table->string('address');
            $table->string('email');
            $table->unsignedInteger('turnaround_days');
            $table->unsignedInteger('transit_days');
            $table->json('holidays');
            $table->unsignedInteger('bag_ml');
            $table->string('quarantine');
            $table->json('tests');
            $table->json('form');
            $table->json('columns');
            $table->boolean('service')->default(false)->comment('takes consignments over its interface');
            $table->timestamps();
            $table->unique(['team_id', 'name']);
        });
        Schema::create('consignments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('lab_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->unsignedInteger('number');
            $table->string('submission');
            $table->string('state');
            $table->json('form');
            $table->json('warnings');
            $table->unsignedInteger('fee_cents');
            $table->string('carrier')->default('');
            $table->string('reference')->default('')->comment('what the service calls it');
            $table->string('word')->default('')->comment('the last that was heard of it');
            $table->dateTime('sent_at')->nullable();
            $table->date('expected_on')->nullable();
            $table->date('asked_on')->nullable();
            $table->timestamps();
            $table->unique(['team_id', 'number']);
            $table->unique(['team_id', 'submission']);
            $table->index(['team_id', 'state', 'expected_on']);
        });
        Schema::create('consigned_portions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('consignment_id')->constrained();
            $table->foreignId('portion_id')->constrained();
            $table->json('tests')->comment('as the lab offered them that day');
            $table->timestamps();
            $table->unique(['consignment_id', 'portion_id']);
        });
        Schema::create('lab_reports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('consignment_id')->constrained();
            $table->string('name');
            $table->text('content');
            $table->string('sha256', 64);
            $table->timestamps();
            $table->unique(['consignment_id', 'sha256']);
        });
    }

    public function down(): void
    {
        Schema::table('samples', function (Blueprint $table): void {
            $table->dropIndex(['team_id', 'year', 'number']);
            $table->dropIndex(['team_id', 'plan_id']);
            $table->dropIndex(['team_id']);
        });
        Schema::table('readings', fn (Blueprint $table) => $table->dropIndex(['team_id', 'sample_id']));
        Schema::table('plans', fn (Blueprint $table) => $table->dropColumn('pull_on'));
        foreach (['lab_reports', 'consigned_portions', 'consignments', 'labs', 'custody_events'] as $table) {
            Schema::dropIfExists($table);
        }
        // Portions of a check soil belong to no composite and cannot stand without this migration.
        DB::table('portions')->whereNull('sample_id')->delete();
        Schema::table('portions', function (Blueprint $table): void {
            $table->dropIndex(['team_id', 'sample_id']);
            $table->dropIndex(['team_id', 'state']);
            $table->dropIndex(['team_id', 'deadline_at']);
            $table->dropUnique(['site_id', 'year', 'number']);
            $table->dropConstrainedForeignId('site_id');
            $table->dropConstrainedForeignId('check_soil_id');
            $table->dropColumn([
                'year',
                'number',
                'volume_ml',
                'tests',
                'state',
                'place',
                'pulled_at',
                'state_at',
                'deadline_at',
            ]);
            $table->unique(['sample_id', 'kind']);
        });
        Schema::dropIfExists('check_soils');
    }
};
