<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use App\Record\VerifyRecord;
use Illuminate\Database\Connection;

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
        return UnpackedParts::of(
            $path,
            'backup',
            '#^(database\.sqlite|files/[A-Za-z0-9._/-]+)$#',
            Manifest::class,
            function (string $folder, Manifest $manifest) use ($path, $then): mixed {
                if (! isset($manifest->files[MakeBackup::DATABASE])) {
                    throw new BadBackup("{$path} holds no database.");
                }
                $this->look("{$folder}/".MakeBackup::DATABASE, $manifest);

                return $then($folder, $manifest);
            },
        );
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
