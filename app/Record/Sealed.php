<?php

declare(strict_types=1);

namespace App\Record;

use Illuminate\Support\Facades\Schema;

/**
 * What a team's chain holds: the tables, and the columns that a row says. When a table gets a column, a new form is
 * added; rows keep the form they were sealed by.
 */
final class Sealed
{
    /** The form that new rows are sealed by. */
    public const FORM = 3;

    private const FORMS = [
        1 => self::FIRST,
        2 => self::SECOND,
        3 => [
            ...self::SECOND,
            'ground_events' => [
                'area_id', 'created_by', 'kind', 'on', 'what', 'amount', 'unit', 'created_at', 'program_id', 'uuid', 'part', 'product',
                'lb_per_acre', 'brings', 'line', 'as_planned', 'weather', 'spread_by', 'note', 'takes_back_id',
            ],
        ],
    ];

    private const SECOND = [
        ...self::FIRST,
        'programs' => [
            'area_id', 'follows_id', 'signed_by', 'crop', 'season', 'choices', 'body', 'hash', 'note', 'created_at',
        ],
    ];

    private const FIRST = [
        'custody_lines' => [
            'portion_id', 'created_by', 'uuid', 'step', 'at', 'place', 'condition', 'celsius', 'corrects', 'created_at',
        ],
        'readings' => [
            'sample_id', 'portion_id', 'method_id', 'report_id', 'created_by', 'corrects_id', 'value', 'band',
            'as_reported', 'read_on', 'reader', 'flags', 'note', 'created_at', 'method_version_id', 'run_id', 'between',
            'lot', 'detail',
        ],
        'lab_results' => [
            'report_id', 'portion_id', 'method_id', 'row', 'kind', 'value', 'upper', 'as_reported', 'unit', 'form',
            'lab_number', 'created_at',
        ],
        'question_answers' => ['question_id', 'answer', 'note', 'created_by', 'created_at'],
        'result_marks' => ['result_id', 'superseded_by', 'excluded', 'created_by', 'created_at'],
        'judging_policies' => [
            'created_by', 'analyte', 'version', 'terms', 'reason', 'created_at', 'pairs_then',
        ],
        'verdicts' => [
            'method_id', 'reference_id', 'policy_id', 'signed_by', 'follows_id', 'claim', 'verdict', 'scope', 'evidence',
            'evidence_hash', 'note', 'created_at', 'snapshot', 'season',
        ],
    ];

    /** @return list<string> */
    public static function tables(int $form): array
    {
        return array_keys(self::FORMS[$form] ?? []);
    }

    /** @return list<string> those of the newest form that this database has; one of before an upgrade lacks some */
    public static function present(): array
    {
        return array_values(array_filter(
            self::tables(self::FORM),
            static fn (string $table): bool => Schema::hasTable($table) && Schema::hasColumns($table, self::columns($table, self::FORM)),
        ));
    }

    /** @return list<string> none where the form or the table is not known */
    public static function columns(string $table, int $form): array
    {
        return self::FORMS[$form][$table] ?? [];
    }
}
