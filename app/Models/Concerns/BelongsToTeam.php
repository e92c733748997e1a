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

    /** The team's record of this number; a 404 for any other. */
    public static function named(int $id): static
    {
        return static::query()->findOrFail($id);
    }

    /** The team's record of this number, or null. */
    public static function ofTeam(int $id): ?static
    {
        return static::query()->find($id);
    }

    /**
     * A new record of the team.
     *
     * @param array<string, mixed> $fields
     */
    public static function record(array $fields): static
    {
        return static::query()->create($fields);
    }
}
