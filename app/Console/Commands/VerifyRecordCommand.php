<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use App\Models\Team;
use App\Record\KeptHeads;
use App\Record\VerifyRecord;
use HonestCore\Error\CoreError;
use Illuminate\Console\Command;

final class VerifyRecordCommand extends Command
{
    protected $signature = 'record:verify
        {--team= : number or name of one team; all teams where it is left out}
        {--against= : a file that record:head wrote, which the chains must still go through}';

    protected $description = 'Walk every chain of the record and name the first row that does not fit';

    public function handle(VerifyRecord $verify): int
    {
        $against = $this->option('against');
        try {
            $kept = is_string($against) ? KeptHeads::ofFile($against) : new KeptHeads([]);
        } catch (BadInput|CoreError $refused) {
            $this->getOutput()->getErrorStyle()->writeln($refused->getMessage());

            return self::INVALID;
        }
        $teams = Team::asked($this->option('team'));
        if ($teams->isEmpty() && is_string($this->option('team'))) {
            $this->getOutput()->getErrorStyle()->writeln('--team: no such team; accepted is the number or name of one.');

            return self::INVALID;
        }
        $whole = true;
        foreach ($teams as $team) {
            $found = $verify($team->id, $kept->of($team->id));
            $whole = $whole && $found->fault === null;
            $this->line(
                $found->fault === null
                    ? "{$team->id} {$team->name}: whole, {$found->head->position} rows, head {$found->head->short()}"
                    : "{$team->id} {$team->name}: {$found->fault->kind}: {$found->fault->words}",
            );
        }
        foreach (array_diff($kept->teams(), $teams->modelKeys()) as $gone) {
            if (! is_string($this->option('team'))) {
                $whole = false;
                $this->line("{$gone}: removed: the team is gone, whose head was exported");
            }
        }

        return $whole ? self::SUCCESS : self::FAILURE;
    }
}
