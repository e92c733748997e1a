<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TeamScope;
use App\Sharing\SecretAddress;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An address that a grower reads a program at: it ends by itself, and can be withdrawn. Its token is not kept, only its hash.
 *
 * @property int $id
 * @property int $team_id
 * @property int $program_id
 * @property int $created_by
 * @property string $token_hash
 * @property \Illuminate\Support\Carbon $ends_at
 * @property \Illuminate\Support\Carbon|null $withdrawn_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 * @property-read SignedProgram|null $program
 */
final class ProgramShare extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ends_at' => 'datetime', 'withdrawn_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return BelongsTo<SignedProgram, $this> */
    public function program(): BelongsTo
    {
        return $this->belongsTo(SignedProgram::class, 'program_id');
    }

    public function isOpen(): bool
    {
        return $this->withdrawn_at === null && $this->ends_at->isFuture();
    }

    /** Whatever team it is of: whoever holds the token may read that one program, with nobody signed in. */
    public static function byToken(string $token): ?self
    {
        return self::query()
            ->withoutGlobalScope(TeamScope::class)
            ->where('token_hash', SecretAddress::hash($token))
            ->with([
                'program' => static fn ($programs) => $programs->withoutGlobalScope(TeamScope::class),
                'program.signer',
                'program.follower' => static fn ($programs) => $programs
                    ->withoutGlobalScope(TeamScope::class)
                    ->select(['id', 'follows_id', 'created_at']),
            ])
            ->first();
    }
}
