<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Evidence\ComputeAhead;
use App\Database\Statistics;
use App\Database\Values;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

final class TendCommand extends Command
{
    protected $signature = 'data:tend';

    protected $description = 'Compute what was touched and not computed yet, and renew the statistics that the database plans by';

    public function handle(ComputeAhead $ahead): int
    {
        $teams = DB::table('stirred')->distinct()->orderBy('team_id')->pluck('team_id');
        $persons = User::query()->with('team')->whereIn('team_id', $teams)->orderByDesc('id')->get()->keyBy('team_id');
        foreach ($teams as $team) {
            $person = $persons[Values::whole($team)] ?? null;
            if ($person !== null) {
                Auth::setUser($person);
                $this->line("Team {$person->team_id}: ".($ahead($person->team_id) ? 'computed.' : 'somebody else is at it.'));
            }
        }
        Statistics::anew();

        return self::SUCCESS;
    }
}
