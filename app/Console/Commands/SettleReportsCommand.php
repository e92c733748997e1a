<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Reports\SettleReports;
use App\Database\Turn;
use App\Database\Values;
use App\Models\Concerns\TakenScope;
use App\Models\Concerns\TeamScope;
use App\Models\LabReport;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Auth;

final class SettleReportsCommand extends Command
{
    protected $signature = 'reports:settle';

    protected $description = 'Finish, or take away, reports whose taking was cut off';

    public function handle(SettleReports $settle): int
    {
        $authors = LabReport::query()
            ->withoutGlobalScopes([TeamScope::class, TakenScope::class])
            ->where('state', '<>', 'taken')
            ->orderBy('id')
            ->pluck('created_by', 'team_id');
        foreach ($authors as $team => $author) {
            $turn = Turn::take(SettleReports::turn(Values::whole($team)));
            if ($turn === null) {
                $this->line("Team {$team}: a report is being taken.");

                continue;
            }
            Auth::setUser(User::query()->findOrFail(Values::whole($author)));
            try {
                $this->line("Team {$team}: {$settle->leftBehind()} settled.");
            } finally {
                $turn->giveBack();
            }
        }

        return self::SUCCESS;
    }
}
