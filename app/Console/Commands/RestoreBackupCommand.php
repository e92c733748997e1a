<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backup\BadBackup;
use App\Backup\RestoreBackup;
use Illuminate\Console\Command;

final class RestoreBackupCommand extends Command
{
    protected $signature = 'backup:restore
        {archive : the archive that backup:make wrote}
        {--replace : put it in the place of what is there, of which a backup is made first}
        {--to= : the folder for that backup; var/backups where it is left out}';

    protected $description = 'Take a backup back, checked first; run migrate after it when it is of an older version';

    public function handle(RestoreBackup $restore): int
    {
        $archive = $this->argument('archive');
        $to = $this->option('to');
        try {
            $before = $restore(
                is_string($archive) ? $archive : '',
                is_string($to) && $to !== '' ? $to : base_path('var/backups'),
                $this->option('replace') === true,
            );
        } catch (BadBackup $error) {
            $this->getOutput()->getErrorStyle()->writeln($error->getMessage());

            return self::FAILURE;
        }
        $this->line('The backup is in use now.'.($before === null ? '' : " What was there before lies in {$before}"));

        return self::SUCCESS;
    }
}
