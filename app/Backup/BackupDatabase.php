<?php

declare(strict_types=1);

namespace App\Backup;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** Looks into the database of a backup as if it were the one in use. */
final class BackupDatabase
{
    /**
     * @template T
     *
     * @param \Closure(Connection): T $look
     * @return T
     */
    public static function within(string $file, \Closure $look): mixed
    {
        $usual = DB::getDefaultConnection();
        config(['database.connections.backup' => ['database' => $file] + (array) config("database.connections.{$usual}")]);
        DB::purge('backup');
        DB::setDefaultConnection('backup');
        try {
            return $look(DB::connection('backup'));
        } finally {
            DB::setDefaultConnection($usual);
            DB::purge('backup');
        }
    }
}
