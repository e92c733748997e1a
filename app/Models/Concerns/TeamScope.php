<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Scope;

/**
 * Every query sees the records of the signed-in person's team and no others; with nobody signed in it sees none.
 */
final class TeamScope implements Scope
{
    public function apply(Builder $builder, Model $model): void
    {
        $user = User::signedIn();
        $user === null
            ? $builder->whereRaw('0 = 1')
            : $builder->where($model->qualifyColumn('team_id'), $user->team_id);
    }
}
