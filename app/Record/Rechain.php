<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\ManyRows;
use App\Database\Values;
use HonestCore\Record\ChainLink;
use Illuminate\Support\Facades\DB;

/**
 * Takes a table out of the chains of all teams, for a step back to a version that did not know it: the links behind it are made
 * anew, each with what it said and the form it was sealed by. Heads that were kept elsewhere do not fit any more, as they should not.
 */
final class Rechain
{
    private const PIECE = 1000;

    public static function without(string $table): void
    {
        DB::unprepared('DROP TRIGGER IF EXISTS record_links_no_DELETE');
        foreach (Values::wholes(DB::table('record_links')->where('table', $table)->distinct()->pluck('team_id')) as $team) {
            self::ofTeam($team, $table);
        }
        DB::unprepared(
            'CREATE TRIGGER record_links_no_DELETE BEFORE DELETE ON record_links '.
                "BEGIN SELECT RAISE(ABORT, 'record_links are written once; add a new row'); END",
        );
    }

    private static function ofTeam(int $team, string $table): void
    {
        $from = OwnNumbers::from($team);
        $first = Values::whole(DB::table('record_links')->where('team_id', $team)->where('table', $table)->min('position'));
        $before = DB::table('record_links')->where('team_id', $team)->where('position', $first - 1)->first();
        $last = $before === null ? null : Seal::linkOf($before, $from);
        $links = [];
        foreach (
            DB::table('record_links')->where('team_id', $team)->where('position', '>=', $first)->orderBy('position')->get() as $row
        ) {
            if ($row->table === $table) {
                continue;
            }
            $old = Seal::linkOf($row, $from);
            $last = ChainLink::behind($last, $old->table, $old->row, $old->says);
            $links[] = [
                'team_id' => $team,
                'position' => $last->position,
                'form' => Values::whole($row->form),
                'table' => $last->table,
                'row' => $last->row + $from,
                'says' => $last->says,
                'before' => $last->before,
                'hash' => $last->hash,
            ];
        }
        DB::table('record_links')->where('team_id', $team)->where('position', '>=', $first)->delete();
        foreach (array_chunk($links, self::PIECE) as $some) {
            ManyRows::insert('record_links', $some);
        }
    }
}
