<?php

declare(strict_types=1);

namespace App\Archive;

use App\Database\Values;
use Illuminate\Database\Connection;

/** What a team has in a database: its tables, their columns, and which of these number a row of the team. */
final readonly class TeamTables
{
    /** What is computed anew from the rest, and what is of this server: keys, sign-ins, what was done by them, and practice. */
    private const DERIVED = [
        'evidence_summaries', 'sampling_figures', 'stirred', 'program_shares', 'calendar_addresses', 'invitations', 'sign_ins',
        'second_factors', 'account_events', 'record_changes', 'practice_classes', 'practice_fields', 'practice_soils',
    ];

    /** What nobody else may have. */
    private const SECRET = ['password', 'remember_token'];

    /** Numbers of rows within a column of JSON: the keys that lead to them, "*" for each of a list. */
    private const WITHIN = [
        'plans' => ['spec' => ['keep_away', '*', 'landmark_id']],
        'report_questions' => ['result_ids' => ['*']],
    ];

    /** A number of a row that no foreign key says. */
    private const NUMBERS = ['record_links' => ['row']];

    /** @param array<string, list<TeamColumn>> $columns by table */
    private function __construct(public array $columns) {}

    public static function of(Connection $database): self
    {
        $columns = [];
        $tables = Values::texts($database->table('sqlite_master')->where('type', 'table')->orderBy('name')->pluck('name'));
        foreach (array_diff($tables, self::DERIVED) as $table) {
            $own = $database->select("PRAGMA table_info(\"{$table}\")");
            if (in_array('team_id', array_column($own, 'name'), true)) {
                $columns[$table] = self::columns($database, $table, $own);
            }
        }

        return new self($columns);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->columns);
    }

    /** @return array<string, mixed> the rows as JSON Schema */
    public function schema(): array
    {
        $tables = [];
        foreach ($this->columns as $table => $columns) {
            $said = [];
            foreach ($columns as $column) {
                $said[$column->name] = $column->schema();
            }
            $tables[$table] = [
                'description' => "A line of tables/{$table}.jsonl.",
                'type' => 'object',
                'required' => array_keys($said),
                'additionalProperties' => false,
                'properties' => $said,
            ];
        }

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'Everything a team has',
            'description' => 'Rows name one another by the number "id". Text that is no UTF-8 stands as {"base64": ...}.',
            '$defs' => $tables,
        ];
    }

    /**
     * @param array<mixed> $own
     * @return list<TeamColumn>
     */
    private static function columns(Connection $database, string $table, array $own): array
    {
        $points = array_column($database->select("PRAGMA foreign_key_list(\"{$table}\")"), 'table', 'from');
        $points = array_filter($points, static fn (mixed $to): bool => $to !== 'teams');
        $columns = [];
        foreach (array_map(static fn (mixed $one): array => (array) $one, $own) as $one) {
            $name = Values::text($one['name'] ?? '');
            if ($name === 'team_id' || in_array($name, self::SECRET, true)) {
                continue;
            }
            $columns[] = new TeamColumn(
                $name,
                strtolower(Values::text($one['type'] ?? '')),
                Values::whole($one['notnull'] ?? 0) === 0,
                $name === 'id' ? $table : Values::text($points[$name] ?? ''),
                $name === 'id' || isset($points[$name]) || in_array($name, self::NUMBERS[$table] ?? [], true),
                self::WITHIN[$table][$name] ?? [],
            );
        }

        return $columns;
    }
}
