<?php

declare(strict_types=1);

namespace App\Archive;

use App\Models\Team;

/** A team that came out of an archive. */
final readonly class TakenTeam
{
    /** @param list<string> $withoutSignIn addresses that are in use here: who had them there comes without a sign-in */
    public function __construct(public Team $team, public array $withoutSignIn) {}
}
