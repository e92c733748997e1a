<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/**
 * Takes a backup back: checked first, with a backup of what is there, pictures before the database that names them,
 * and the database in one step that is whole or not at all.
 */
final class RestoreBackup
{
    public function __construct(private readonly CheckBackup $check, private readonly MakeBackup $make) {}

    /** @return string|null where what was there before lies; null where nothing was */
    public function __invoke(string $path, string $folder, bool $replace): ?string
    {
        $there = DB::connection()->getSchemaBuilder()->hasTable('teams') && DB::table('teams')->exists();
        if ($there && ! $replace) {
            throw new BadBackup('The database in use holds teams; --replace puts the backup in its place.');
        }

        return $this->check->parts($path, function (string $parts) use ($there, $folder): ?string {
            $before = $there ? ($this->make)($folder, 'before-restore-'.now()->utc()->format('Ymd\THis\Z')) : null;
            $disk = Storage::disk('local');
            foreach (! is_dir("{$parts}/files") ? [] : self::under("{$parts}/files") as $name) {
                $from = fopen("{$parts}/files/{$name}", 'rb');
                if ($from === false || ! $disk->writeStream($name, $from)) {
                    throw new BadBackup("{$name} cannot be written; nothing of the database was changed.");
                }
            }
            $this->exchange("{$parts}/".MakeBackup::DATABASE);

            return $before;
        });
    }

    /** By SQLite's own backup, which other connections see whole or not at all. */
    private function exchange(string $from): void
    {
        $to = Values::text(config('database.connections.'.DB::getDefaultConnection().'.database'));
        DB::disconnect();
        try {
            $source = new \SQLite3($from, SQLITE3_OPEN_READONLY);
            $target = new \SQLite3($to);
            $target->enableExceptions(true);
            $target->busyTimeout(30_000);
            $done = $source->backup($target);
            $source->close();
            $target->close();
        } catch (\Exception $error) {
            throw new BadBackup("{$to} cannot be written: {$error->getMessage()}", previous: $error);
        }
        if (! $done) {
            throw new BadBackup("{$to} cannot be written; it is as it was.");
        }
    }

    /** @return list<string> */
    private static function under(string $folder): array
    {
        $names = [];
        $all = new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($all) as $file) {
            if ($file instanceof \SplFileInfo) {
                $names[] = substr($file->getPathname(), strlen($folder) + 1);
            }
        }

        return $names;
    }
}
