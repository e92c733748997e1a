<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Archive\ExportTeam;
use App\Backup\BadBackup;
use App\Models\Team;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;

final class ExportTeamCommand extends Command
{
    protected $signature = 'team:export
        {team : number or name of the team}
        {file : the archive to be written}';

    protected $description = 'Write everything a team has as one open archive, while people work';

    public function handle(ExportTeam $export): int
    {
        [$team, $file] = [Team::asked($this->argument('team'))->first(), $this->argument('file')];
        $error = $this->getOutput()->getErrorStyle();
        if ($team === null || ! is_string($file)) {
            $error->writeln('team: no such team; accepted is the number or name of one.');

            return self::INVALID;
        }
        try {
            $manifest = $export($team, $file);
        } catch (BadBackup|QueryException $failed) {
            $error->writeln($failed->getMessage());

            return self::FAILURE;
        }
        $this->line("{$file}: {$manifest->team}, head {$manifest->head->short()}");
        if ($manifest->fault !== '') {
            $error->writeln("The record is not whole, and goes out as it is: {$manifest->fault}.");
        }

        return self::SUCCESS;
    }
}
