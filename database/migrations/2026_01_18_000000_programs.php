<?php

declare(strict_types=1);

use App\Record\Rechain;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Programs: drafted, changed with reasons, signed once; the shelf they choose from, the tables a team put in the place of those
 * that ship, and the addresses that growers read them at.
 */
return new class extends Migration
{
    private const WRITTEN_ONCE = ['programs', 'program_changes', 'table_changes', 'ph_answers'];

    public function up(): void
    {
        Schema::table('sites', function (Blueprint $table): void {
            $table->string('nutrient_school', 20)->default('build')->comment('build or sufficiency');
            $table->string('lime_school', 20)->default('')->comment('whose buffer sizes lime; empty for the first there is');
        });
        Schema::create('program_drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('crop', 40);
            $table->unsignedInteger('season')->comment('the year of planting');
            $table->json('choices');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->unique(['area_id', 'crop', 'season']);
        });
        Schema::create('program_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('draft_id')->constrained('program_drafts');
            $table->foreignId('created_by')->constrained('users');
            $table->string('what', 1000)->comment('what was changed, from and to, in words');
            $table->string('reason', 500);
            $table->timestamps();
            $table->index('draft_id');
        });
        Schema::create('programs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('follows_id')->nullable()->unique()->constrained('programs');
            $table->foreignId('signed_by')->constrained('users');
            $table->string('crop', 40);
            $table->unsignedInteger('season');
            $table->json('choices');
            $table->json('body')->comment('the program as it was signed, with results, verdicts and tables');
            $table->json('days')->comment('what of the body goes on when, in few words, for lists');
            $table->string('hash', 64)->comment('of the body');
            $table->string('note', 2000);
            $table->timestamps();
            $table->index(['area_id', 'season']);
        });
        Schema::create('program_shares', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('program_id')->constrained('programs');
            $table->foreignId('created_by')->constrained('users');
            $table->string('token_hash', 64)->unique();
            $table->timestamp('ends_at');
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
            $table->index('program_id');
        });
        Schema::create('shelf_products', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->string('code', 60);
            $table->json('row');
            $table->timestamps();
            $table->unique(['team_id', 'code']);
        });
        Schema::create('table_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('site_id')->nullable()->comment('null for all sites of the team')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('name', 40);
            $table->json('figures')->comment('figures by their path; none puts back those that ship');
            $table->string('source', 300);
            $table->date('dated');
            $table->timestamps();
            $table->index(['team_id', 'name', 'site_id']);
        });
        Schema::create('ph_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('area_id')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('question', 40);
            $table->string('answer', 10);
            $table->string('note', 300);
            $table->timestamps();
            $table->index('area_id');
        });
        foreach (self::WRITTEN_ONCE as $name) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared(
                    "CREATE TRIGGER {$name}_no_{$act} BEFORE {$act} ON {$name} ".
                        "BEGIN SELECT RAISE(ABORT, '{$name} are written once; add a new row'); END",
                );
            }
        }
    }

    /** Programs leave the chain; what was written behind them is chained anew. */
    public function down(): void
    {
        Rechain::without('programs');
        foreach (
            ['ph_answers', 'table_changes', 'shelf_products', 'program_shares', 'programs', 'program_changes', 'program_drafts'] as $name
        ) {
            Schema::dropIfExists($name);
        }
        Schema::table('sites', function (Blueprint $table): void {
            $table->dropColumn(['nutrient_school', 'lime_school']);
        });
    }
};
