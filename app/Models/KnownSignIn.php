<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * One sign-in of a person on one device, until they sign out or it is ended.
 *
 * @property int $id
 * @property int $team_id
 * @property int $user_id
 * @property string $agent
 * @property string $place
 * @property \Illuminate\Support\Carbon $seen_at
 * @property \Illuminate\Support\Carbon|null $ended_at
 * @property \Illuminate\Support\Carbon $created_at
 */
final class KnownSignIn extends Model
{
    protected $table = 'sign_ins';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seen_at' => 'datetime', 'ended_at' => 'datetime'];
    }

    /** @return Collection<int, self> those of a person that stand and were seen since a time */
    public static function standingOf(User $user, \DateTimeInterface $since): Collection
    {
        return self::query()->where('user_id', $user->id)->whereNull('ended_at')->where('seen_at', '>=', $since)
            ->orderByDesc('seen_at')->orderByDesc('id')->get();
    }

    public static function standing(int $id, User $user): ?self
    {
        return self::query()->whereKey($id)->where('user_id', $user->id)->whereNull('ended_at')->first();
    }

    public static function stands(mixed $id, mixed $user): bool
    {
        return self::query()->whereKey($id)->where('user_id', $user)->whereNull('ended_at')->exists();
    }

    /** Ends all of a person's, but for one. */
    public static function endAllOf(User $user, ?int $except = null): void
    {
        self::query()->where('user_id', $user->id)->whereNull('ended_at')
            ->when($except !== null, static fn ($others) => $others->whereKeyNot($except))
            ->update(['ended_at' => now()]);
    }
}
