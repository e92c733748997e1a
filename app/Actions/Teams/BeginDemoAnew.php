<?php

declare(strict_types=1);

namespace App\Actions\Teams;

use App\Database\AllOrNothing;
use App\Models\Team;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Carbon;

/**
 * The demo as it ships, once more. What was done in the one before is put aside under another name, with accounts that nobody
 * signs in with: a record that is written once is not wiped out, and not by a demo either.
 */
final class BeginDemoAnew
{
    public function __construct(private readonly DemoSeeder $demo) {}

    public function __invoke(Team $before): void
    {
        AllOrNothing::of(function () use ($before): void {
            $aside = Carbon::now()->format('Y-m-d H:i:s');
            foreach (User::ofTeam($before) as $person) {
                $person->update([
                    'email' => "{$person->id}@no-address.invalid", 'closed_at' => now(), 'remember_token' => null,
                ]);
            }
            $before->update(['name' => mb_substr("{$before->name}, put aside {$aside}", 0, 80)]);
            $this->demo->run();
        });
    }
}
