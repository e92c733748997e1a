<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was done with an account of the team, or with what leaves it: written once.
 *
 * @property int $id
 * @property int $team_id
 * @property int|null $user_id
 * @property string $kind
 * @property string $about
 * @property string $place
 * @property \Illuminate\Support\Carbon $at
 * @property-read User|null $user
 */
final class AccountEvent extends Model
{
    use BelongsToTeam;

    public const KINDS = [
        'signed_in', 'refused', 'signed_out', 'ended', 'password', 'reset', 'second_factor', 'invited', 'joined', 'role', 'closed',
        'token', 'exported', 'shared', 'site', 'team', 'not_allowed',
    ];

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return Builder<self> the newest first */
    public static function register(?string $kind): Builder
    {
        return self::query()->with('user')->when($kind !== null, static fn ($of) => $of->where('kind', $kind))->orderByDesc('id');
    }
}
