<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\Team;
use App\Record\Seal;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainLink;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use ZipArchive;

/**
 * One archive with a consistent copy of the database, every picture and paper that it names, and what they are: made
 * while people work.
 */
final class MakeBackup
{
    /** A picture that is taken away while the copy is made is no longer named by the next copy. */
    private const TRIES = 3;

    public const DATABASE = 'database.sqlite';

    private const READ_ME = <<<'TEXT'
        A backup of Honest Core. database.sqlite is an ordinary SQLite 3 database, described in docs/data-model.md; under
        files/ lies every picture and paper that it names. manifest.json holds the SHA-256 of each, and the head of every
        team's chain. Check it with `php artisan backup:check`, take it back with `php artisan backup:restore`.
        It holds passwords as hashes and no key: sessions begin anew after it was taken back.

        TEXT;

    /** @return string the path of the archive */
    public function __invoke(string $folder, ?string $name = null): string
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0700, true)) {
            throw new BadBackup("{$folder} cannot be made; accepted is a folder that can be written to.");
        }
        $copy = "{$folder}/.copy-".bin2hex(random_bytes(6)).'.sqlite';
        $path = $folder.'/'.($name ?? 'honest-core-'.now()->utc()->format('Ymd\THis\Z')).'.zip';
        try {
            for ($try = 1; ; $try++) {
                @unlink($copy);
                DB::statement('VACUUM INTO ?', [$copy]);
                $missing = $this->pack($copy, "{$path}.part");
                if ($missing === null) {
                    break;
                }
                if ($try === self::TRIES) {
                    throw new BadBackup("The file {$missing} is named by the database and is not there.");
                }
            }
            if (! rename("{$path}.part", $path)) {
                throw new BadBackup("{$path} cannot be written.");
            }
        } finally {
            @unlink($copy);
            @unlink("{$path}.part");
        }

        return $path;
    }

    /** @return string|null a file that is named and not there */
    private function pack(string $copy, string $path): ?string
    {
        [$names, $heads, $last] = BackupDatabase::within($copy, static fn (Connection $database): array => [
            KeptFiles::namedBy($database),
            self::heads($database),
            Version::lastMigration($database),
        ]);
        $archive = new ZipArchive();
        if ($archive->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new BadBackup("{$path} cannot be written.");
        }
        $files = [self::DATABASE => (string) hash_file('sha256', $copy)];
        $archive->addFile($copy, self::DATABASE);
        $disk = Storage::disk('local');
        foreach ($names as $name) {
            if (! $disk->exists($name)) {
                return $name;
            }
            $files["files/{$name}"] = (string) hash_file('sha256', $disk->path($name));
            $archive->addFile($disk->path($name), "files/{$name}");
            $archive->setCompressionName("files/{$name}", ZipArchive::CM_STORE);
        }
        $manifest = new Manifest(now()->utc()->toIso8601ZuluString(), Version::running(), $last, $files, $heads);
        $archive->addFromString(
            UnpackedParts::MANIFEST,
            json_encode($manifest->toRow(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES),
        );
        $archive->addFromString('READ-ME.txt', self::READ_ME);

        return $archive->close() ? null : throw new BadBackup("{$path} cannot be written; is the disk full?");
    }

    /** @return array<int, ChainHead> */
    private static function heads(Connection $database): array
    {
        $heads = [];
        if ($database->getSchemaBuilder()->hasTable('record_links')) {
            foreach (Team::query()->orderBy('id')->get() as $team) {
                $link = Seal::head($team->id);
                $heads[$team->id] = new ChainHead($link->position ?? 0, $link->hash ?? ChainLink::NOTHING);
            }
        }

        return $heads;
    }
}
