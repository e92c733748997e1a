<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Practice ground: each a team of its own, so that nothing of it comes among real records, exports or counts; what truly lies in its
 * composites; and classes, whose people have the same ground.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('practice_classes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->comment('of whoever leads it')->constrained();
            $table->foreignId('created_by')->constrained('users');
            $table->string('name', 80);
            $table->string('code', 12)->unique()->comment('what one joins it by');
            $table->string('level', 20);
            $table->unsignedInteger('seed');
            $table->string('lesson', 40)->nullable();
            $table->timestamps();
        });
        Schema::create('practice_fields', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->unique()->comment('the team that it is')->constrained();
            $table->foreignId('user_id')->comment('the account within it')->constrained();
            $table->foreignId('home_id')->index()->comment('whose practice it is')->constrained('users');
            $table->foreignId('class_id')->nullable()->index()->constrained('practice_classes');
            $table->string('level', 20);
            $table->unsignedInteger('seed');
            $table->string('lesson', 40)->nullable();
            $table->boolean('named')->default(false)->comment('is its name shown in the class');
            $table->timestamp('hinted_at')->nullable()->comment('when the hint was asked for');
            $table->timestamps();
        });
        Schema::create('practice_soils', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('sample_id')->unique()->constrained();
            $table->json('holds')->comment('what is in the bucket, by analyte');
            $table->json('meant')->comment('what full cores at the planned places hold');
            $table->json('places')->comment('of its cores: metres east and north');
            $table->unsignedInteger('short')->comment('cores that did not reach the depth');
            $table->unsignedInteger('day')->comment('of the year');
        });
        foreach (['UPDATE', 'DELETE'] as $act) {
            DB::unprepared(
                "CREATE TRIGGER practice_soils_no_{$act} BEFORE {$act} ON practice_soils ".
                    "BEGIN SELECT RAISE(ABORT, 'what lies in a composite is written once'); END",
            );
        }
    }

    public function down(): void
    {
        foreach (['practice_soils', 'practice_fields', 'practice_classes'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
