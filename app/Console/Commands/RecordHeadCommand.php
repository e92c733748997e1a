<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Team;
use App\Record\KeptHeads;
use App\Record\Seal;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainLink;
use Illuminate\Console\Command;

final class RecordHeadCommand extends Command
{
    protected $signature = 'record:head {--team= : number or name of one team; all teams where it is left out}';

    protected $description = 'Print the head of every chain, to be kept elsewhere and compared by record:verify --against';

    public function handle(): int
    {
        $heads = [];
        foreach (Team::asked($this->option('team')) as $team) {
            $link = Seal::head($team->id);
            $heads[$team->id] = new ChainHead($link->position ?? 0, $link->hash ?? ChainLink::NOTHING);
        }
        $this->getOutput()->write((new KeptHeads($heads))->lines());

        return self::SUCCESS;
    }
}
