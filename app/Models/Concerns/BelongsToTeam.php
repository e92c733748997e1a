<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\User;
use Illuminate\Database\Eloquent\Model;

/** A record of one team: see TeamScope for reading; a new record takes the team of whoever makes it. */
trait BelongsToTeam
{
    protected static function bootBelongsToTeam(): void
    {
        static::addGlobalScope(new TeamScope());
        static::creating(static function (Model $model): void {
            $model->setAttribute('team_id', User::signedIn()?->team_id);
        });
    }
}
