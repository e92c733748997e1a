<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\Values;
use App\Models\Team;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Whether this server can be worked with: its database, its disk, its clock, and the ends of its chains. */
final class Health
{
    private const LEAST_FREE_BYTES = 200_000_000;

    private const LAST_LINKS = 50;

    private const WHOLE = 'health: the database was read through and found whole';

    private const WHOLE_FOR_S = 21_600;

    /** How far a clock may run behind what was written last, in seconds. */
    private const BEHIND_S = 300;

    /** @return array<string, string> what is looked at, and "ok" or what is wrong */
    public static function look(): array
    {
        try {
            return [
                'database' => self::database(),
                'disk' => self::disk(),
                'clock' => self::clock(),
                'chain' => self::chain(),
            ];
        } catch (QueryException|\PDOException) {
            return ['database' => 'it cannot be read', 'disk' => self::disk()];
        }
    }

    /** The whole file is read at most once in a while: what is damaged since shows in what cannot be read. */
    private static function database(): string
    {
        DB::select('SELECT count(*) FROM sqlite_master');
        $isWhole = Cache::get(self::WHOLE) === true || Values::text(DB::scalar('PRAGMA quick_check(1)')) === 'ok';
        if ($isWhole) {
            Cache::add(self::WHOLE, true, self::WHOLE_FOR_S);
        }

        return $isWhole ? 'ok' : 'it is damaged: take the last backup back';
    }

    private static function disk(): string
    {
        foreach ([storage_path('app'), dirname(Values::text(config('database.connections.sqlite.database')))] as $folder) {
            if (is_dir($folder) && ! is_writable($folder)) {
                return 'nothing can be written; what is there can be read';
            }
            $free = is_dir($folder) ? disk_free_space($folder) : false;
            if ($free !== false && $free < self::LEAST_FREE_BYTES) {
                return 'it is nearly full';
            }
        }
        $probe = '.health-'.bin2hex(random_bytes(4));
        $written = Storage::disk('local')->put($probe, 'x');
        Storage::disk('local')->delete($probe);

        return $written ? 'ok' : 'nothing can be written; what is there can be read';
    }

    /** Against the newest row of the record: a clock that was set back would give later rows earlier times. */
    private static function clock(): string
    {
        $newest = Values::text(DB::table('custody_lines')->orderByDesc('id')->value('created_at'));
        $behind = $newest === '' ? 0 : (int) strtotime("{$newest} UTC") - now()->getTimestamp();

        return $behind > self::BEHIND_S
            ? 'it is behind what was written last, at '.gmdate('Y-m-d H:i', (int) strtotime("{$newest} UTC")).' UTC: set it right'
            : 'ok';
    }

    private static function chain(): string
    {
        $from = Team::query()->pluck('numbers_from', 'id');
        // Team by team from the end of each chain; the other way round all links would be read.
        $links = DB::table('teams')
            ->crossJoin('record_links')
            ->whereColumn('record_links.team_id', 'teams.id')
            ->whereRaw(
                'position > (SELECT max(last.position) - ? FROM record_links last WHERE last.team_id = teams.id)',
                [self::LAST_LINKS],
            )
            ->orderBy('record_links.team_id')
            ->orderBy('position')
            ->get('record_links.*');
        $before = [];
        foreach ($links as $row) {
            $team = Values::whole($row->team_id);
            $link = Seal::linkOf($row, Values::whole($from[$team]));
            if (! $link->holds() || (isset($before[$team]) && $link->before !== $before[$team])) {
                return 'the end of a chain does not fit: run record:verify';
            }
            $before[$team] = $link->hash;
        }

        return 'ok';
    }
}
