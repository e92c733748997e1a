<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use App\Record\VerifyRecord;
use HonestCore\Error\CoreError;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\File;
use ZipArchive;

/** Whether a backup can be relied on: every part by its hash, the database by its own check, every chain by its links. */
final class CheckBackup
{
    public function __construct(private readonly VerifyRecord $verify) {}

    public function __invoke(string $path): Manifest
    {
        return $this->parts($path, static fn (string $folder, Manifest $manifest): Manifest => $manifest);
    }

    /**
     * @template T
     *
     * @param \Closure(string, Manifest): T $then given the folder with the checked parts, while it is there
     * @return T
     */
    public function parts(string $path, \Closure $then): mixed
    {
        $folder = sys_get_temp_dir().'/honest-core-backup-'.bin2hex(random_bytes(8));
        try {
            $manifest = $this->unpack($path, $folder);
            $this->look("{$folder}/".MakeBackup::DATABASE, $manifest);

            return $then($folder, $manifest);
        } finally {
            File::deleteDirectory($folder);
        }
    }

    private function unpack(string $path, string $folder): Manifest
    {
        $archive = new ZipArchive();
        if (! is_file($path) || $archive->open($path, ZipArchive::RDONLY) !== true) {
            throw new BadBackup("{$path} is no backup that can be read; accepted is an archive that backup:make wrote.");
        }
        try {
            $row = json_decode((string) $archive->getFromName(MakeBackup::MANIFEST), true);
            $manifest = is_array($row) ? Manifest::fromRow($row) : throw new BadBackup("{$path} holds no manifest.");
        } catch (CoreError $error) {
            throw new BadBackup("The manifest of {$path} cannot be read: {$error->getMessage()}", previous: $error);
        }
        foreach ($manifest->files as $name => $hash) {
            self::part($archive, $folder, $name, $hash);
        }
        $archive->close();

        return isset($manifest->files[MakeBackup::DATABASE])
            ? $manifest
            : throw new BadBackup("{$path} holds no database.");
    }

    private static function part(ZipArchive $archive, string $folder, string $name, string $hash): void
    {
        if (preg_match('#^(database\.sqlite|files/[A-Za-z0-9._/-]+)$#', $name) !== 1 || str_contains($name, '..')) {
            throw new BadBackup("{$name} is no name of a part of a backup.");
        }
        $from = $archive->getStream($name);
        if ($from === false) {
            throw new BadBackup("{$name} is not in the backup.");
        }
        File::ensureDirectoryExists(dirname("{$folder}/{$name}"), 0700);
        $to = fopen("{$folder}/{$name}", 'wb');
        if ($to === false || stream_copy_to_stream($from, $to) === false || ! fclose($to)) {
            throw new BadBackup("{$name} cannot be unpacked; is the disk full?");
        }
        if (hash_file('sha256', "{$folder}/{$name}") !== $hash) {
            throw new BadBackup("{$name} is not as it was when the backup was made.");
        }
    }

    private function look(string $database, Manifest $manifest): void
    {
        BackupDatabase::within($database, function (Connection $connection) use ($manifest): void {
            if (Values::text($connection->scalar('PRAGMA integrity_check')) !== 'ok') {
                throw new BadBackup('The database of the backup is damaged.');
            }
            foreach (KeptFiles::namedBy($connection) as $name) {
                if (! isset($manifest->files["files/{$name}"])) {
                    throw new BadBackup("The file {$name} is named by the database and is not in the backup.");
                }
            }
            foreach ($manifest->heads as $team => $head) {
                $found = ($this->verify)($team, $head);
                if ($found->fault !== null) {
                    throw new BadBackup("The record of team {$team} is not whole: {$found->fault->words}.");
                }
            }
        });
    }
}
