<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\Values;
use App\Models\Team;
use HonestCore\Record\ChainLink;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Whether this server can be worked with: its database, its disk, its clock, and the ends of its chains. */
final class Health
{
    private const LEAST_FREE_BYTES = 200_000_000;

    private const LAST_LINKS = 50;

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

    private static function database(): string
    {
        return Values::text(DB::scalar('PRAGMA quick_check(1)')) === 'ok' ? 'ok' : 'it is damaged: take the last backup back';
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
        $newest = Values::text(DB::table('custody_lines')->max('created_at'));
        $behind = $newest === '' ? 0 : (int) strtotime("{$newest} UTC") - now()->getTimestamp();

        return $behind > self::BEHIND_S
            ? 'it is behind what was written last, at '.gmdate('Y-m-d H:i', (int) strtotime("{$newest} UTC")).' UTC: set it right'
            : 'ok';
    }

    private static function chain(): string
    {
        foreach (Team::query()->orderBy('id')->get() as $team) {
            $links = DB::table('record_links')
                ->where('team_id', $team->id)
                ->orderByDesc('position')
                ->limit(self::LAST_LINKS)
                ->get()
                ->reverse()
                ->map(static fn (\stdClass $link): ChainLink => Seal::linkOf($link, $team->numbers_from))
                ->values();
            $before = null;
            foreach ($links as $link) {
                if (! $link->holds() || ($before instanceof ChainLink && $link->before !== $before->hash)) {
                    return 'the end of a chain does not fit: run record:verify';
                }
                $before = $link;
            }
        }

        return 'ok';
    }
}
