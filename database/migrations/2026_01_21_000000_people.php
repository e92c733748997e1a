<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * The people of a team and how they come in: who administers it, invitations, sign-ins that can be ended, a second factor,
 * tokens for scripts, and what was done with accounts, which is written once.
 */
return new class extends Migration
{
    private const TABLES = [
        'account_events', 'personal_access_tokens', 'password_reset_tokens', 'second_factors', 'sign_ins', 'invitations',
    ];

    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->boolean('administers')->nullable()->comment('invites people, sets roles, reads what was done with accounts');
            $table->timestamp('closed_at')->nullable()->comment('signs in no more; what they wrote stays theirs');
        });
        DB::update('UPDATE users SET administers = 1 WHERE id IN (SELECT min(id) FROM users GROUP BY team_id)');
        Schema::table('sites', function (Blueprint $table): void {
            $table->string('owner', 120)->nullable()->comment('whose ground it is; on labels');
            $table->string('phone', 40)->nullable()->comment('on labels');
        });
        Schema::create('invitations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('email', 200);
            $table->string('role', 20);
            $table->boolean('administers');
            $table->string('token_hash', 64)->unique();
            $table->timestamp('ends_at');
            $table->timestamp('taken_at')->nullable();
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
            $table->index('team_id');
        });
        Schema::create('sign_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('agent', 250);
            $table->string('place', 45)->comment('the address that it came from');
            $table->timestamp('seen_at');
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
            $table->index(['user_id', 'ended_at']);
        });
        Schema::create('second_factors', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('user_id')->unique()->constrained();
            $table->text('secret')->comment('encrypted');
            $table->timestamp('confirmed_at')->nullable();
            $table->unsignedBigInteger('last_step')->default(0)->comment('of the code used last: none is taken twice');
            $table->json('recovery')->comment('hashes of codes that are good once');
            $table->timestamps();
        });
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('personal_access_tokens', function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->text('name');
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable();
            $table->timestamps();
        });
        Schema::create('account_events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('user_id')->nullable()->comment('who did it')->constrained();
            $table->string('kind', 20);
            $table->string('about', 200)->comment('whom or what it was about');
            $table->string('place', 45);
            $table->timestamp('at');
            $table->index(['team_id', 'id']);
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER account_events_no_{$act} BEFORE {$act} ON account_events ".
                    "BEGIN SELECT RAISE(ABORT, 'what was done with accounts is written once'); END",
            );
        }
    }

    public function down(): void
    {
        array_map(Schema::dropIfExists(...), self::TABLES);
        Schema::table('sites', static fn (Blueprint $table) => $table->dropColumn(['owner', 'phone']));
        Schema::table('users', static fn (Blueprint $table) => $table->dropColumn(['administers', 'closed_at']));
    }
};
