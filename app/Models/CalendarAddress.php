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
 * An address that a calendar subscribes to, until it is withdrawn. Its token is not kept, only its hash.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $name
 * @property string $token_hash
 * @property \Illuminate\Support\Carbon|null $withdrawn_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 */
final class CalendarAddress extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['withdrawn_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return Collection<int, self> */
    public static function newest(int $most): Collection
    {
        return self::query()->with('author')->orderByDesc('id')->limit($most)->get();
    }

    /** Whatever team it is of: whoever holds the token may read what is due, with nobody signed in. */
    public static function byToken(string $token): ?self
    {
        return self::query()
            ->withoutGlobalScope(TeamScope::class)
            ->where('token_hash', SecretAddress::hash($token))
            ->whereNull('withdrawn_at')
            ->with('author')
            ->first();
    }
}
