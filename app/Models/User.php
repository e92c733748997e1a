<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\IsShown;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\Auth;

/**
 * A person of a team. The technician does the work, the reviewer signs.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string $role
 * @property-read Team $team
 */
final class User extends Authenticatable
{
    use IsShown;

    public const SHOWN_WITH = ['team'];

    public const TECHNICIAN = 'technician';

    public const REVIEWER = 'reviewer';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /** Whoever is signed in. */
    public static function signedIn(): ?self
    {
        $user = Auth::user();

        return $user instanceof self ? $user : null;
    }

    public function maySign(): bool
    {
        return $this->role === self::REVIEWER;
    }

    /** @return Collection<int, self> whom anybody may sign in as while the demo runs */
    public static function ofDemo(): Collection
    {
        return self::query()
            ->where('email', 'like', '%@demo.example')
            ->orderByDesc('role')
            ->get(['name', 'email', 'role']);
    }
}
