<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\Values;
use App\Models\Concerns\TakenScope;
use HonestCore\Record\ChainFault;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainWalk;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Walks a team's chain beside its rows, and names the first one that does not fit. */
final class VerifyRecord
{
    private const PIECE = 1000;

    /** The column that names a report: the rows of one that is being taken get their links before it is seen. */
    private const IN_HAND = ['lab_results' => 'report_id', 'readings' => 'report_id', 'result_marks' => 'superseded_by'];

    public function __invoke(int $team, ?ChainHead $kept = null): Verified
    {
        $walk = new ChainWalk($kept);
        $from = 0;
        $own = OwnNumbers::from($team);
        do {
            $links = DB::table('record_links')
                ->where('team_id', $team)
                ->where('position', '>', $from)
                ->orderBy('position')
                ->orderBy('id')
                ->limit(self::PIECE)
                ->get()
                ->all();
            $says = $this->says($team, $links, $own);
            foreach ($links as $row) {
                $link = Seal::linkOf($row, $own);
                $fault = $walk->take($link, $says["{$link->table}/{$link->row}"] ?? null);
                if ($fault !== null) {
                    return new Verified($walk->head(), $fault);
                }
                $from = $link->position;
            }
        } while (count($links) === self::PIECE);

        return new Verified($walk->head(), $walk->end() ?? $this->inserted($team, $own) ?? $this->turned($team, $own));
    }

    /**
     * @param array<int, \stdClass> $links
     * @return array<string, string> what the rows of these links say now, by table and row
     */
    private function says(int $team, array $links, int $own): array
    {
        [$asked, $says] = [[], []];
        foreach ($links as $link) {
            $asked[Values::text($link->table)][Values::whole($link->form)][] = Values::whole($link->row);
        }
        foreach ($asked as $table => $forms) {
            foreach (in_array($table, Sealed::present(), true) ? $forms : [] as $form => $ids) {
                $rows = DB::table($table)
                    ->where('team_id', $team)
                    ->whereIn('id', $ids)
                    ->get(['id', ...Sealed::columns($table, $form)]);
                foreach ($rows as $row) {
                    $says["{$table}/".(Values::whole($row->id) - $own)] = Seal::says($row, $table, $form, $own);
                }
            }
        }

        return $says;
    }

    private function inserted(int $team, int $own): ?ChainFault
    {
        $pieces = self::takesInPieces();
        foreach (Sealed::present() as $table) {
            $id = DB::table($table)
                ->where('team_id', $team)
                ->when(
                    $pieces && isset(self::IN_HAND[$table]),
                    static fn (Builder $rows): Builder => TakenScope::narrow($rows, self::IN_HAND[$table] ?? ''),
                )
                ->whereNotExists(
                    static fn ($links) => $links
                        ->from('record_links')
                        ->where('record_links.table', $table)
                        ->whereColumn('record_links.row', "{$table}.id"),
                )
                ->min('id');
            if ($id !== null) {
                return ChainFault::inserted($table, Values::whole($id) - $own);
            }
        }

        return null;
    }

    /** A result that stands, is superseded or is left out against what its marks say. */
    private function turned(int $team, int $own): ?ChainFault
    {
        $id = DB::table('lab_results')
            ->where('team_id', $team)
            ->where(
                static fn ($results) => $results
                    ->whereRaw(
                        'COALESCE(superseded_by, 0) <> COALESCE((SELECT m.superseded_by FROM result_marks m '.
                            'JOIN lab_reports r ON r.id = m.superseded_by WHERE m.result_id = lab_results.id'.
                            (self::takesInPieces() ? " AND r.state = 'taken'" : '').'), 0)',
                    )
                    ->orWhereRaw(
                        'excluded <> COALESCE((SELECT m.excluded FROM result_marks m WHERE m.result_id = lab_results.id '.
                            "AND m.excluded <> ''), '')",
                    ),
            )
            ->min('id');

        return $id === null
            ? null
            : new ChainFault(
                ChainFault::ALTERED,
                'lab_results',
                Values::whole($id) - $own,
                'lab_results '.(Values::whole($id) - $own).' stands, or is left out, against what was written of it',
            );
    }

    /** A database of before, in a backup, has no report that is not taken. */
    private static function takesInPieces(): bool
    {
        return DB::connection()->getSchemaBuilder()->hasColumn('lab_reports', 'state');
    }
}
