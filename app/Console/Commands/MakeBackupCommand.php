<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backup\BadBackup;
use App\Backup\MakeBackup;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;

final class MakeBackupCommand extends Command
{
    protected $signature = 'backup:make
        {--to= : the folder it goes into; var/backups where it is left out}
        {--before-migrating : only where a database is there that waits for a migration}';

    protected $description = 'Write one archive with the database and all pictures, while people work';

    public function handle(MakeBackup $make): int
    {
        $to = $this->option('to');
        try {
            if ($this->option('before-migrating') && ! $this->waits()) {
                return self::SUCCESS;
            }
            $this->line($make(is_string($to) && $to !== '' ? $to : base_path('var/backups')));
        } catch (BadBackup|QueryException $error) {
            $this->getOutput()->getErrorStyle()->writeln($error->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function waits(): bool
    {
        /** @var \Illuminate\Database\Migrations\Migrator $migrator */
        $migrator = $this->laravel->make('migrator');
        if (! $migrator->repositoryExists()) {
            return false;
        }
        $ran = $migrator->getRepository()->getRan();

        return $ran !== [] && array_diff(array_keys($migrator->getMigrationFiles(database_path('migrations'))), $ran) !== [];
    }
}
