<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TeamScope;
use App\Sharing\SecretAddress;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An address at which somebody joins the team, until it ends, is taken or is withdrawn. Its token is not kept, only its hash.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $email
 * @property string $role
 * @property bool $administers
 * @property string $token_hash
 * @property \Illuminate\Support\Carbon $ends_at
 * @property \Illuminate\Support\Carbon|null $taken_at
 * @property \Illuminate\Support\Carbon|null $withdrawn_at
 * @property-read User $author
 * @property-read Team $team
 */
final class Invitation extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['administers' => 'boolean', 'ends_at' => 'datetime', 'taken_at' => 'datetime', 'withdrawn_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /** @return Collection<int, self> those that somebody may still take */
    public static function open(): Collection
    {
        return self::query()->with('author')->whereNull('taken_at')->whereNull('withdrawn_at')
            ->where('ends_at', '>', now())->orderBy('id')->get();
    }

    /** Whatever team it is of: whoever holds the token may take it, with nobody signed in. */
    public static function byToken(string $token): ?self
    {
        return self::query()
            ->withoutGlobalScope(TeamScope::class)
            ->where('token_hash', SecretAddress::hash($token))
            ->whereNull('taken_at')->whereNull('withdrawn_at')
            ->where('ends_at', '>', now())
            ->with(['team', 'author'])
            ->first();
    }
}
