<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a person's authenticator shares with this server.
 *
 * @property int $id
 * @property int $team_id
 * @property int $user_id
 * @property string $secret bytes in base 32
 * @property \Illuminate\Support\Carbon|null $confirmed_at
 * @property int $last_step of the code that was used last
 * @property list<string> $recovery hashes of codes that are good once
 */
final class SecondFactor extends Model
{
    protected $guarded = [];

    protected $hidden = ['secret', 'recovery'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['secret' => 'encrypted', 'confirmed_at' => 'datetime', 'recovery' => 'array'];
    }

    public static function of(User $user): ?self
    {
        return self::query()->where('user_id', $user->id)->first();
    }

    /** @param array<string, mixed> $fields */
    public static function keep(User $user, array $fields): self
    {
        return self::query()->updateOrCreate(['user_id' => $user->id], ['team_id' => $user->team_id, ...$fields]);
    }
}
