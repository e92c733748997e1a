<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Scope;
use Illuminate\Support\Facades\Auth;

/**
 * Every query sees the records of the signed-in person's team and no others; with nobody signed in it sees none.
 *
 * @implements Scope<Model>
 */
final class TeamScope implements Scope
{
    public function apply(Builder $builder, Model $model): void
    {
        $user = Auth::user();
        $user === null
            ? $builder->whereRaw('0 = 1')
            : $builder->where($model->qualifyColumn('team_id'), $user->team_id);
    }
}
