<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What keeps pages quick after ten years of a busy team: indexes led by what queries ask, what the duplicates of a lab say kept
 * beside it, and a note of what was touched since evidence was last computed, written by the database itself so that no way of
 * writing can forget it.
 */
return new class extends Migration
{
    /** Of what is computed of tests, all; and of what duplicates of labs say, all. */
    private const ALL_TESTS = 0;

    private const ALL_LABS = -1;

    private const INDEXES = [
        'lab_results_no_numbers' => "lab_results (team_id, method_id, portion_id) WHERE kind <> 'number'",
        'portions_hidden' => "portions (team_id, sample_id) WHERE kind = 'hidden'",
        'portions_of_site' => 'portions (site_id, kind, id)',
        'portions_checking' => 'portions (team_id, check_soil_id) WHERE check_soil_id IS NOT NULL',
        'portions_drying' => "portions (team_id, state_at) WHERE state = 'drying'",
        'consigned_of_portion' => 'consigned_portions (portion_id, consignment_id)',
        'consignments_of_lab' => 'consignments (team_id, lab_id)',
        'samples_newest' => 'samples (team_id, site_id, year, number)',
        'plans_doubled' => "plans (team_id, id) WHERE json_extract(spec, '$.quality.duplicates') > 0",
        'plans_due' => 'plans (team_id, pull_on) WHERE pull_on IS NOT NULL',
        'readings_read' => 'readings (team_id, method_id, id)',
        'runs_of_site' => 'bench_runs (site_id, id)',
        'verdicts_of_team' => 'verdicts (team_id, id)',
        'reports_newest' => 'lab_reports (team_id, id)',
        'questions_open' => 'report_questions (team_id, report_id) WHERE answer IS NULL',
    ];

    public function up(): void
    {
        Schema::create('stirred', function (Blueprint $table): void {
            $table->foreignId('team_id')->constrained();
            $table->integer('method_id')->comment('whose results changed; 0 for all tests of the team, -1 for all labs');
            $table->unsignedInteger('times');
            $table->primary(['team_id', 'method_id']);
        });
        Schema::create('sampling_figures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('method_id')->unique()->constrained();
            $table->json('figures');
            $table->timestamps();
        });
        // Most readings correct none: an index of those that do tells the planner so.
        DB::unprepared('DROP INDEX readings_corrects_id_unique');
        DB::unprepared('CREATE UNIQUE INDEX readings_corrects_id_unique ON readings (corrects_id) WHERE corrects_id IS NOT NULL');
        foreach (self::INDEXES as $name => $on) {
            DB::unprepared("CREATE INDEX {$name} ON {$on}");
        }
        foreach ($this->stirring() as $name => [$when, $what]) {
            DB::unprepared("CREATE TRIGGER stirred_by_{$name} AFTER {$when} BEGIN {$what} END");
        }
        // Nothing that was kept before is known to be of today.
        DB::unprepared('INSERT INTO stirred (team_id, method_id, times) SELECT id, 0, 1 FROM teams');
    }

    public function down(): void
    {
        foreach (array_keys($this->stirring()) as $name) {
            DB::unprepared("DROP TRIGGER IF EXISTS stirred_by_{$name}");
        }
        foreach (array_keys(self::INDEXES) as $name) {
            DB::unprepared("DROP INDEX IF EXISTS {$name}");
        }
        DB::unprepared('DROP INDEX readings_corrects_id_unique');
        DB::unprepared('CREATE UNIQUE INDEX readings_corrects_id_unique ON readings (corrects_id)');
        Schema::dropIfExists('sampling_figures');
        Schema::dropIfExists('stirred');
    }

    /** @return array<string, array{string, string}> when, and what is noted */
    private function stirring(): array
    {
        $note = static fn (string $row, string $method): string => "INSERT INTO stirred (team_id, method_id, times)
            VALUES ({$row}.team_id, {$method}, 1) ON CONFLICT (team_id, method_id) DO UPDATE SET times = times + 1;";
        $tests = $note('new', (string) self::ALL_TESTS);
        $labs = $note('new', (string) self::ALL_LABS);

        return [
            'reading' => ['INSERT ON readings', $note('new', 'new.method_id')],
            'reading_gone' => ['DELETE ON readings', $note('old', 'old.method_id')],
            // A hidden duplicate has no reading of its own.
            'result' => [
                "INSERT ON lab_results WHEN new.method_id IS NOT NULL AND (SELECT kind FROM portions WHERE id = new.portion_id) = 'hidden'",
                $note('new', 'new.method_id'),
            ],
            'result_marked' => [
                'UPDATE OF superseded_by, excluded ON lab_results WHEN new.method_id IS NOT NULL', $note('new', 'new.method_id'),
            ],
            'report' => ['UPDATE OF state ON lab_reports', $tests.$labs],
            'policy' => ['INSERT ON judging_policies', $tests],
            'records' => ['INSERT ON record_sets', $note('new', 'new.method_id')],
            'records_withdrawn' => ['UPDATE OF withdrawn_at ON record_sets', $note('new', 'new.method_id')],
            'use' => ['UPDATE OF "use" ON areas WHEN new."use" <> old."use"', $tests],
            'ground' => ['UPDATE OF area_id ON samples', $tests],
            'layout' => ['UPDATE OF layout ON plans', $labs],
            'method' => ['INSERT ON methods', $note('new', 'new.id')],
            'method_changed' => [
                'UPDATE OF analyte, workplace, lot, bands, uncertainty, extractant, school ON methods', $note('new', 'new.id'),
            ],
        ];
    }
};
