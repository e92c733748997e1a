<?php

declare(strict_types=1);

use HonestCore\Table\RuleTable;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Evidence in full: what a verdict rests on and when it ends, summaries for the register, and policies for every
 * analyte that has a default.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('judging_policies', function (Blueprint $table): void {
            $table
                ->unsignedInteger('pairs_then')
                ->nullable()
                ->comment('pairs that were there when it was set; 0 is before the evidence was opened');
        });
        Schema::table('verdicts', function (Blueprint $table): void {
            $table->json('snapshot')->nullable()->comment('the pairs it rests on, as they were');
            $table
                ->unsignedInteger('season')
                ->nullable()
                ->comment('year of the newest pair; composites of a later one end it');
        });
        Schema::create('evidence_summaries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->constrained();
            $table->foreignId('reference_id')->constrained('methods');
            $table->string('state', 64)->comment('names the readings, limits and policy it was made of');
            $table->json('summary');
            $table->timestamps();
            $table->unique(['team_id', 'method_id', 'reference_id']);
        });
        Schema::table('readings', fn (Blueprint $table) => $table->index(['team_id', 'method_id', 'sample_id']));
        Schema::table('lab_results', fn (Blueprint $table) => $table->index(['team_id', 'method_id', 'kind']));
        $this->policies();
    }

    public function down(): void
    {
        Schema::table('lab_results', fn (Blueprint $table) => $table->dropIndex(['team_id', 'method_id', 'kind']));
        Schema::table('readings', fn (Blueprint $table) => $table->dropIndex(['team_id', 'method_id', 'sample_id']));
        Schema::drop('evidence_summaries');
        Schema::table('verdicts', function (Blueprint $table): void {
            $table->dropColumn(['snapshot', 'season']);
        });
        Schema::table('judging_policies', function (Blueprint $table): void {
            $table->dropColumn('pairs_then');
        });
    }

    /** Teams that are there already get the policies that ship for what they could not judge before. */
    private function policies(): void
    {
        /**
         * @var array{required: float, confidence: float, analytes: array<string, array{thresholds: list<float|int>,
         * actions: list<string>, allowable: float, change: float, scale: string}>} $table
         */
        $table = RuleTable::named('policies');
        foreach (DB::table('teams')->pluck('id') as $team) {
            $author = DB::table('users')->where('team_id', $team)->orderBy('id')->value('id');
            foreach ($author === null ? [] : $table['analytes'] as $analyte => $row) {
                if (DB::table('judging_policies')->where('team_id', $team)->where('analyte', $analyte)->exists()) {
                    continue;
                }
                DB::table('judging_policies')->insert([
                    'team_id' => $team,
                    'created_by' => $author,
                    'analyte' => $analyte,
                    'version' => 1,
                    'reason' => 'The policy that ships, set before any evidence of it was opened.',
                    'pairs_then' => 0,
                    'created_at' => now(),
                    'updated_at' => now(),
                    'terms' => json_encode(
                        [
                            'crops' => (object) [],
                            'required' => $table['required'],
                            'confidence' => $table['confidence'],
                        ] +
                            array_intersect_key($row, [
                                'thresholds' => 0,
                                'actions' => 0,
                                'allowable' => 0,
                                'change' => 0,
                                'scale' => 0,
                            ]),
                        JSON_THROW_ON_ERROR,
                    ),
                ]);
            }
        }
    }
};
