<?php

declare(strict_types=1);

use App\Record\Seal;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * All evidence is written once, a correction is a row of its own, and every row of the record has a link in its team's
 * chain. What was stored before gets its links now, in the order of its tables.
 */
return new class extends Migration
{
    /** What a row of evidence says; other columns follow from rows of other tables. */
    private const SAYS = [
        'readings' => [
            'id', 'team_id', 'sample_id', 'portion_id', 'method_id', 'report_id', 'created_by', 'corrects_id', 'value', 'band',
            'as_reported', 'read_on', 'reader', 'flags', 'note', 'created_at', 'method_version_id', 'run_id', 'between', 'lot',
            'detail',
        ],
        'lab_reports' => [
            'id', 'team_id', 'created_by', 'file_name', 'sha256', 'rows', 'created_at', 'lab_id', 'supersedes_id', 'read_on',
            'mapping',
        ],
        'lab_results' => [
            'id', 'team_id', 'report_id', 'portion_id', 'method_id', 'row', 'kind', 'value', 'upper', 'as_reported', 'unit',
            'form', 'lab_number', 'created_at',
        ],
        'report_questions' => ['id', 'team_id', 'report_id', 'kind', 'words', 'result_ids', 'created_at'],
        'calibrations' => [
            'id', 'team_id', 'created_by', 'instrument', 'in_millivolts', 'celsius', 'points', 'slope_percent', 'offset',
            'residual', 'reasons', 'at', 'created_at',
        ],
        'practice_rounds' => ['id', 'team_id', 'method_id', 'created_by', 'reader', 'source', 'tubes', 'created_at'],
        'probe_captures' => ['id', 'team_id', 'run_id', 'created_by', 'tube', 'simulated', 'created_at'],
        'vision_checks' => [],
        'photos' => [],
        'core_pulls' => [],
        'record_links' => [],
        'result_marks' => [],
        'question_answers' => [],
    ];

    /** What may follow once, and never after. */
    private const ONCE = [
        'lab_reports' => "OLD.left_out <> '[]'",
        'calibrations' => 'OLD.drift_at IS NOT NULL',
        'practice_rounds' => 'OLD.score IS NOT NULL',
        'probe_captures' => 'LENGTH(NEW.readings) < LENGTH(OLD.readings)',
        'lab_results' => '(NEW.superseded_by IS NOT OLD.superseded_by AND NOT EXISTS (SELECT 1 FROM result_marks m '.
            'WHERE m.result_id = OLD.id AND m.superseded_by IS NEW.superseded_by)) OR '.
            '(NEW.excluded IS NOT OLD.excluded AND NOT EXISTS (SELECT 1 FROM result_marks m '.
            'WHERE m.result_id = OLD.id AND m.excluded IS NEW.excluded))',
        'report_questions' => '(NEW.answer IS NOT OLD.answer OR NEW.note IS NOT OLD.note) AND NOT EXISTS '.
            '(SELECT 1 FROM question_answers a WHERE a.question_id = OLD.id AND a.answer IS NEW.answer AND a.note IS NEW.note)',
    ];

    public function up(): void
    {
        Schema::create('record_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->unsignedBigInteger('position');
            $table->unsignedSmallInteger('form')->comment('which columns of the row are said');
            $table->string('table', 40);
            $table->unsignedBigInteger('row');
            $table->string('says', 64)->comment('hash of what the row says');
            $table->string('before', 64)->comment('hash of the link before');
            $table->string('hash', 64);
            $table->unique(['team_id', 'position']);
            $table->unique(['table', 'row']);
        });
        Schema::create('result_marks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('result_id')->constrained('lab_results');
            $table->foreignId('superseded_by')->nullable()->constrained('lab_reports');
            $table->string('excluded', 250)->default('');
            $table->foreignId('created_by')->constrained('users');
            $table->timestamps();
            $table->index('result_id');
        });
        Schema::create('question_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained();
            $table->foreignId('question_id')->constrained('report_questions');
            $table->string('answer');
            $table->text('note');
            $table->foreignId('created_by')->constrained('users');
            $table->timestamps();
            $table->index('question_id');
        });
        DB::statement(
            'INSERT INTO result_marks (team_id, result_id, superseded_by, excluded, created_by, created_at, updated_at) '.
                "SELECT l.team_id, l.id, l.superseded_by, '', r.created_by, r.created_at, r.created_at FROM lab_results l ".
                'JOIN lab_reports r ON r.id = l.superseded_by',
        );
        DB::statement(
            'INSERT INTO result_marks (team_id, result_id, superseded_by, excluded, created_by, created_at, updated_at) '.
                'SELECT l.team_id, l.id, NULL, l.excluded, r.created_by, l.updated_at, l.updated_at FROM lab_results l '.
                "JOIN lab_reports r ON r.id = l.report_id WHERE l.excluded <> ''",
        );
        DB::statement(
            'INSERT INTO question_answers (team_id, question_id, answer, note, created_by, created_at, updated_at) '.
                'SELECT team_id, id, answer, note, answered_by, answered_at, answered_at FROM report_questions '.
                'WHERE answer IS NOT NULL AND answered_by IS NOT NULL',
        );
        Seal::all(1);
        foreach (self::SAYS as $name => $columns) {
            $this->seal($name, $columns);
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::SAYS) as $name) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                DB::unprepared("DROP TRIGGER IF EXISTS {$name}_no_{$act}");
            }
        }
        foreach (['question_answers', 'result_marks', 'record_links'] as $name) {
            Schema::dropIfExists($name);
        }
    }

    /** @param list<string> $columns what may never change; none for the whole row */
    private function seal(string $name, array $columns): void
    {
        $changed = [
            ...array_map(static fn (string $column): string => "NEW.\"{$column}\" IS NOT OLD.\"{$column}\"", $columns),
            ...isset(self::ONCE[$name]) ? ['('.self::ONCE[$name].')'] : [],
        ];
        $when = $changed === [] ? '' : 'WHEN '.implode(' OR ', $changed).' ';
        foreach (['UPDATE' => $when, 'DELETE' => ''] as $act => $only) {
            DB::unprepared(
                "CREATE TRIGGER {$name}_no_{$act} BEFORE {$act} ON {$name} {$only}".
                    "BEGIN SELECT RAISE(ABORT, '{$name} are written once; add a new row'); END",
            );
        }
    }
};
