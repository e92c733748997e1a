<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\AllOrNothing;
use App\Database\ManyRows;
use App\Database\Piece;
use App\Database\Values;
use HonestCore\Record\CanonicalText;
use HonestCore\Record\ChainLink;
use Illuminate\Database\Query\Builder;
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

    /** Of a table that comes into the chain with this form, and of what it held before. */
    public static function table(string $name, int $form): void
    {
        $before = self::ends($form);
        $before[$name] = 0;
        (new self($before, $form))->close();
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

    /**
     * Of a report that is stored and not seen yet, in pieces; what was sealed before it was cut off is passed over.
     */
    public static function report(int $report): void
    {
        if (AllOrNothing::isSealing()) {
            return;
        }
        $seal = new self([], Sealed::FORM);
        foreach (['lab_results' => 'report_id', 'readings' => 'report_id', 'result_marks' => 'superseded_by'] as $table => $column) {
            $from = Values::whole(DB::table($table)->where($column, $report)->min('id')) - 1;
            while ($from < PHP_INT_MAX) {
                $from = Piece::of(static function () use ($seal, $table, $column, $report, $from): int {
                    // In the order of the table: its index by report would have all of them put in order for each piece.
                    [$rows, $to] = $seal->rows($table, $from, static fn (Builder $rows): Builder => $rows
                        ->whereRaw("+{$column} = ?", [$report])
                        ->whereNotExists(
                            static fn (Builder $links): Builder => $links
                                ->from('record_links')
                                ->where('record_links.table', $table)
                                ->whereColumn('record_links.row', "{$table}.id"),
                        ));
                    $last = [];
                    $seal->link($table, $rows, $last);

                    return $to;
                });
            }
        }
    }

    /**
     * Hash of what a row says.
     *
     * @param int $from by how much its numbers lie above those of its record
     */
    public static function says(\stdClass $row, string $table, int $form, int $from): string
    {
        $fields = [];
        foreach (Sealed::columns($table, $form) as $column) {
            $value = $row->{$column} ?? null;
            $value = is_int($value) && OwnNumbers::is($column) ? $value - $from : $value;
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
        [$links, $from] = [[], []];
        foreach ($rows as $row) {
            $team = Values::whole($row->team_id);
            $from[$team] ??= OwnNumbers::from($team);
            $before = array_key_exists($team, $last) ? $last[$team] : self::head($team);
            $last[$team] = ChainLink::behind(
                $before,
                $table,
                Values::whole($row->id) - $from[$team],
                self::says($row, $table, $this->form, $from[$team]),
            );
            $links[] = [
                'team_id' => $team,
                'position' => $last[$team]->position,
                'form' => $this->form,
                'table' => $table,
                'row' => $last[$team]->row + $from[$team],
                'says' => $last[$team]->says,
                'before' => $last[$team]->before,
                'hash' => $last[$team]->hash,
            ];
        }
        ManyRows::insert('record_links', $links);
    }

    /**
     * @param (\Closure(Builder): Builder)|null $which
     * @return array{list<\stdClass>, int} a piece of the rows behind one, and the last of them
     */
    private function rows(string $table, int $from, ?\Closure $which = null): array
    {
        $rows = DB::table($table)
            ->where('id', '>', $from)
            ->when($which !== null, $which)
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

        return $row === null ? null : self::linkOf($row, OwnNumbers::from($team));
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
        [$forms, $from] = [[], []];
        foreach (DB::table('record_links')->where('table', $table)->whereIn('row', $ids)->get() as $row) {
            $team = Values::whole($row->team_id);
            $from[$team] ??= OwnNumbers::from($team);
            $forms[Values::whole($row->form)][Values::whole($row->row)] = self::linkOf($row, $from[$team]);
        }
        $fit = [];
        foreach ($forms as $form => $links) {
            $rows = DB::table($table)->whereIn('id', array_keys($links))->cursor();
            foreach ($rows as $row) {
                $id = Values::whole($row->id);
                $own = $from[Values::whole($row->team_id)] ?? 0;
                if ($links[$id]->holds() && $links[$id]->says === self::says($row, $table, $form, $own)) {
                    $fit[] = $id;
                }
            }
        }

        return array_values(array_diff($ids, $fit));
    }

    /** @param int $from by how much the team's numbers lie above its own */
    public static function linkOf(\stdClass $row, int $from): ChainLink
    {
        return new ChainLink(
            Values::whole($row->position),
            Values::text($row->table),
            Values::whole($row->row) - $from,
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
