<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Archive\ImportTeam;
use App\Backup\BadBackup;
use App\Record\Seal;
use Illuminate\Console\Command;

final class ImportTeamCommand extends Command
{
    protected $signature = 'team:import
        {file : an archive that team:export wrote}
        {--name= : the name of the team here; its own where it is left out}';

    protected $description = 'Take a team out of an archive into this database, the same, hash for hash';

    public function handle(ImportTeam $import): int
    {
        [$file, $name] = [$this->argument('file'), $this->option('name')];
        try {
            $taken = $import(is_string($file) ? $file : '', is_string($name) && trim($name) !== '' ? trim($name) : null);
        } catch (BadBackup $refused) {
            $this->getOutput()->getErrorStyle()->writeln($refused->getMessage());

            return self::FAILURE;
        }
        $head = Seal::head($taken->team->id);
        $this->line("{$taken->team->id} {$taken->team->name}: whole, {$head?->position} rows, the same as in the archive.");
        $this->line('Passwords are not in it: person:password gives each person a new one.');
        foreach ($taken->withoutSignIn as $address) {
            $this->line("{$address} is in use here: who had it there comes without a sign-in.");
        }

        return self::SUCCESS;
    }
}
