<?php

declare(strict_types=1);

use App\Record\Rechain;
use App\Record\Seal;
use HonestCore\FollowUp\Outlook;
use HonestCore\Quantity\AreaRate;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What was spread: the entries beside transects become the one log of the ground, written once and sealed; controls, factors of
 * schools, the weeks of a campaign, and the addresses that calendars subscribe to.
 */
return new class extends Migration
{
    private const TABLES = ['calendar_addresses', 'campaign_days', 'local_factors', 'control_samples', 'controls', 'bag_photos'];

    private const ADDED = [
        'program_id', 'uuid', 'device', 'part', 'product', 'lb_per_acre', 'brings', 'line', 'as_planned', 'weather', 'spread_by',
        'note', 'takes_back_id', 'corrects', 'is_large',
    ];

    public function up(): void
    {
        $this->events();
        $this->outlooks();
        Schema::create('bag_photos', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('event_id')->constrained('ground_events');
            $table->foreignId('created_by')->constrained('users');
            $table->string('file')->comment('outside the public folder');
            $table->string('type');
            $table->string('sha256', 64);
            $table->timestamps();
            $table->unique(['event_id', 'sha256']);
        });
        Schema::create('controls', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->foreignId('control_area_id')->nullable()->comment('the area that it is, where it is one')->constrained('areas');
            $table->string('name', 80);
            $table->date('since');
            $table->date('ended_on')->nullable();
            $table->string('note', 500);
            $table->timestamps();
            $table->index('area_id');
            $table->index('control_area_id');
        });
        Schema::create('control_samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('control_id')->constrained();
            $table->foreignId('sample_id')->unique()->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->timestamps();
            $table->index('control_id');
        });
        Schema::create('local_factors', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('signed_by')->constrained('users');
            $table->foreignId('ended_by')->nullable()->constrained('users');
            $table->string('school', 40);
            $table->json('factor');
            $table->string('reason', 500);
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
            $table->index(['team_id', 'ended_at']);
        });
        Schema::create('campaign_days', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->unique()->constrained();
            $table->foreignId('moved_by')->constrained('users');
            $table->date('week')->comment('its Monday');
            $table->timestamps();
        });
        Schema::create('calendar_addresses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('name', 80);
            $table->string('token_hash', 64)->unique();
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
        });
        Schema::table('plans', function (Blueprint $table): void {
            $table->index(['area_id', 'id', 'minutes', 'composites'], 'plans_newest');
        });
        $this->once(['ground_events', 'bag_photos', 'control_samples']);
    }

    private function events(): void
    {
        Schema::table('ground_events', function (Blueprint $table): void {
            $table->foreignId('program_id')->nullable()->constrained('programs');
            $table->uuid('uuid')->nullable()->comment('under which a phone noted it');
            $table->string('device', 80)->default('');
            $table->unsignedInteger('part')->default(0);
            $table->string('product', 60)->default('')->comment('its code on the shelf; empty where it is none of it');
            $table->double('lb_per_acre')->nullable()->comment('of product');
            $table->json('brings')->nullable()->comment('lb an acre of what program lines are of; null where nobody knows');
            $table->string('line', 100)->default('')->comment('the line of the program that it answers: part, product, day');
            $table->boolean('as_planned')->default(false);
            $table->string('weather', 120)->default('');
            $table->string('spread_by', 120)->default('');
            $table->string('note', 500)->default('');
            $table->foreignId('takes_back_id')->nullable()->unique()->constrained('ground_events');
            $table->string('corrects', 40)->default('')->comment('what of the ground it corrects, for lists');
            $table->boolean('is_large')->default(false);
            $table->index(['area_id', 'on']);
            $table->unique(['team_id', 'uuid']);
            $table->index('program_id');
        });
        foreach (DB::table('ground_events')->where('kind', 'application')->get(['id', 'amount', 'unit']) as $row) {
            DB::table('ground_events')
                ->where('id', $row->id)
                ->update(['lb_per_acre' => AreaRate::in((float) $row->amount, (string) $row->unit)->lbPerAcre]);
        }
        Seal::table('ground_events', 3);
    }

    /** What of a program lists need to know of it, out of what was signed: it is no part of what was signed. */
    private function outlooks(): void
    {
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared("DROP TRIGGER IF EXISTS programs_no_{$act}");
        }
        Schema::table('programs', function (Blueprint $table): void {
            $table->json('outlook')->nullable()->comment('what goes on when and what is expected of it, for lists');
            $table->string('corrects', 40)->default('');
            $table->string('gives_none', 40)->default('')->comment('of what it recommends none');
            $table->index(['team_id', 'area_id', 'id', 'corrects', 'gives_none', 'created_at'], 'programs_newest');
        });
        foreach (DB::table('programs')->orderBy('id')->lazyById(50) as $row) {
            $body = json_decode((string) $row->body, true);
            DB::table('programs')
                ->where('id', $row->id)
                ->update([
                    'outlook' => json_encode(($it = Outlook::of(is_array($body) ? $body : []))->toRow(), JSON_THROW_ON_ERROR),
                    'corrects' => implode(',', $it->corrects),
                    'gives_none' => implode(',', $it->none),
                ]);
        }
        $this->once(['programs']);
    }

    /** @param list<string> $tables */
    private function once(array $tables): void
    {
        foreach ($tables as $name) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared(
                    "CREATE TRIGGER {$name}_no_{$act} BEFORE {$act} ON {$name} ".
                        "BEGIN SELECT RAISE(ABORT, '{$name} are written once; add a new row'); END",
                );
            }
        }
    }

    /** Entries leave the chain; what was written behind them is chained anew. */
    public function down(): void
    {
        Rechain::without('ground_events');
        foreach (['ground_events', 'bag_photos', 'control_samples', 'programs'] as $name) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared("DROP TRIGGER IF EXISTS {$name}_no_{$act}");
            }
        }
        foreach (self::TABLES as $name) {
            Schema::dropIfExists($name);
        }
        Schema::table('programs', fn (Blueprint $table) => $table->dropIndex('programs_newest'));
        Schema::table('programs', fn (Blueprint $table) => $table->dropColumn(['outlook', 'corrects', 'gives_none']));
        Schema::table('plans', fn (Blueprint $table) => $table->dropIndex('plans_newest'));
        $this->once(['programs']);
        Schema::table('ground_events', function (Blueprint $table): void {
            $table->dropIndex(['area_id', 'on']);
            $table->dropIndex(['program_id']);
            $table->dropUnique(['team_id', 'uuid']);
            $table->dropUnique(['takes_back_id']);
            $table->dropForeign(['program_id']);
            $table->dropForeign(['takes_back_id']);
        });
        Schema::table('ground_events', fn (Blueprint $table) => $table->dropColumn(self::ADDED));
    }
};
