<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backup\BadBackup;
use App\Backup\CheckBackup;
use Illuminate\Console\Command;

final class CheckBackupCommand extends Command
{
    protected $signature = 'backup:check {archive : the archive that backup:make wrote}';

    protected $description = 'Check every part of a backup, its database and its chains';

    public function handle(CheckBackup $check): int
    {
        $archive = $this->argument('archive');
        try {
            $manifest = $check(is_string($archive) ? $archive : '');
        } catch (BadBackup $error) {
            $this->getOutput()->getErrorStyle()->writeln($error->getMessage());

            return self::FAILURE;
        }
        $this->line("whole: made {$manifest->madeAt} by {$manifest->version}, ".count($manifest->files).' files');
        foreach ($manifest->heads as $team => $head) {
            $this->line("team {$team}: head {$head->short()}");
        }

        return self::SUCCESS;
    }
}
