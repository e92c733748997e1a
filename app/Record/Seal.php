<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\ManyRows;
use App\Database\Values;
use HonestCore\Record\CanonicalText;
use HonestCore\Record\ChainLink;
use Illuminate\Support\Facades\DB;

/**
 * Puts the rows that a transaction has written behind the links of their teams. What was there when it began is not
 * its own: a row that came into the database past the program never gets a link, and is found by that.
 */
final class Seal
{
    private const PIECE = 1000;

    /** @param array<string, int> $before the last row of each table */
    private function __construct(private readonly array $before, private readonly int $form) {}

    /** To be called when a transaction has begun. */
    public static function open(): self
    {
        return new self(self::ends(Sealed::FORM), Sealed::FORM);
    }

    /**
     * Of everything that was stored before there was a chain.
     *
     * @param int $form that of the version in which the tables stood as they stand now: a migration names its own
     */
    public static function all(int $form): void
    {
        (new self(array_fill_keys(Sealed::tables($form), 0), $form))->close();
    }

    /** To be called before the transaction ends. */
    public function close(): void
    {
        $ends = self::ends($this->form);
        $last = [];
        foreach (Sealed::tables($this->form) as $table) {
            for ($from = $this->before[$table]; $from < $ends[$table]; $from = $to) {
                [$rows, $to] = $this->rows($table, $from);
                $this->link($table, $rows, $last);
            }
        }
    }

    /** Hash of what a row says. */
    public static function says(\stdClass $row, string $table, int $form): string
    {
        $fields = [];
        foreach (Sealed::columns($table, $form) as $column) {
            $value = $row->{$column} ?? null;
            $fields[$column] = is_string($value) || is_int($value) || is_float($value) ? $value : null;
        }

        return CanonicalText::hash($fields);
    }

    /**
     * @param list<\stdClass> $rows
     * @param array<int, ChainLink|null> $last the last link of each team
     */
    private function link(string $table, array $rows, array &$last): void
    {
        $links = [];
        foreach ($rows as $row) {
            $team = Values::whole($row->team_id);
            $before = array_key_exists($team, $last) ? $last[$team] : self::head($team);
            $last[$team] = ChainLink::behind(
                $before,
                $table,
                Values::whole($row->id),
                self::says($row, $table, $this->form),
            );
            $links[] = [
                'team_id' => $team,
                'position' => $last[$team]->position,
                'form' => $this->form,
                'table' => $table,
                'row' => $last[$team]->row,
                'says' => $last[$team]->says,
                'before' => $last[$team]->before,
                'hash' => $last[$team]->hash,
            ];
        }
        ManyRows::insert('record_links', $links);
    }

    /** @return array{list<\stdClass>, int} a piece of the rows behind one, and the last of them */
    private function rows(string $table, int $from): array
    {
        $rows = DB::table($table)
            ->where('id', '>', $from)
            ->orderBy('id')
            ->limit(self::PIECE)
            ->get(['id', 'team_id', ...Sealed::columns($table, $this->form)])
            ->all();
        $last = end($rows);

        return [array_values($rows), $last === false ? PHP_INT_MAX : Values::whole($last->id)];
    }

    public static function head(int $team): ?ChainLink
    {
        $row = DB::table('record_links')->where('team_id', $team)->orderByDesc('position')->first();

        return $row === null ? null : self::linkOf($row);
    }

    /** Whether a row says what its link says, and the link is as it was written. */
    public static function fits(string $table, int $id): bool
    {
        return self::damaged($table, [$id]) === [];
    }

    /**
     * Rows that do not say what their links say, or have none.
     *
     * @param list<int> $ids
     * @return list<int>
     */
    public static function damaged(string $table, array $ids): array
    {
        $forms = [];
        foreach (DB::table('record_links')->where('table', $table)->whereIn('row', $ids)->get() as $row) {
            $forms[Values::whole($row->form)][Values::whole($row->row)] = self::linkOf($row);
        }
        $fit = [];
        foreach ($forms as $form => $links) {
            $rows = DB::table($table)->whereIn('id', array_keys($links))->cursor();
            foreach ($rows as $row) {
                $id = Values::whole($row->id);
                if ($links[$id]->holds() && $links[$id]->says === self::says($row, $table, $form)) {
                    $fit[] = $id;
                }
            }
        }

        return array_values(array_diff($ids, $fit));
    }

    public static function linkOf(\stdClass $row): ChainLink
    {
        return new ChainLink(
            Values::whole($row->position),
            Values::text($row->table),
            Values::whole($row->row),
            Values::text($row->says),
            Values::text($row->before),
            Values::text($row->hash),
        );
    }

    /** @return array<string, int> */
    private static function ends(int $form): array
    {
        $ends = DB::selectOne(
            'SELECT '.
                implode(
                    ', ',
                    array_map(
                        static fn (string $table): string => "(SELECT COALESCE(MAX(id), 0) FROM {$table}) AS {$table}",
                        Sealed::tables($form),
                    ),
                ),
        );

        return array_map(Values::whole(...), (array) $ends);
    }
}
