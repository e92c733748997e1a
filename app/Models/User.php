<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\IsShown;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Notifications\Notifiable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Mail;
use Laravel\Sanctum\HasApiTokens;

/**
 * A person of a team. The technician does the work, the reviewer signs, the reader sees all and changes nothing; any of them
 * may administer the team.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string $role
 * @property bool|null $administers
 * @property \Illuminate\Support\Carbon|null $closed_at
 * @property-read Team $team
 * @property-read Collection<int, ScriptToken> $tokens
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<ScriptToken> */
    use HasApiTokens;
    use IsShown;
    use Notifiable;

    public const SHOWN_WITH = ['team.practice.home'];

    public const TECHNICIAN = 'technician';

    public const REVIEWER = 'reviewer';

    public const READER = 'reader';

    public const ROLES = [self::TECHNICIAN, self::REVIEWER, self::READER];

    protected $guarded = [];

    protected $attributes = ['administers' => null, 'closed_at' => null];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'administers' => 'boolean', 'closed_at' => 'datetime'];
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

    public function mayWrite(): bool
    {
        return $this->role !== self::READER;
    }

    public function mayAdminister(): bool
    {
        return $this->administers === true && $this->closed_at === null;
    }

    public function withTokens(): self
    {
        return $this->load('tokens');
    }

    /** Is it one of the accounts that anybody may sign in as while the demo runs? */
    public function isOfDemo(): bool
    {
        return config('app.demo') === true && str_ends_with($this->email, '@demo.example');
    }

    /** @return Collection<int, self> of the team, those that are closed last */
    public static function ofTeam(Team|int $team): Collection
    {
        return self::query()->where('team_id', $team instanceof Team ? $team->id : $team)
            ->orderByRaw('closed_at IS NOT NULL')->orderBy('name')->get();
    }

    public static function administratorsBeside(self $person): int
    {
        return self::query()->where('team_id', $person->team_id)->where('administers', true)->whereNull('closed_at')
            ->whereKeyNot($person->id)->count();
    }

    /** As it was written, or as somebody else would write it in capitals. */
    public static function byAddress(string $email): ?self
    {
        return self::query()->where('email', $email)->first() ??
            self::query()->whereRaw('lower(email) = ?', [mb_strtolower($email)])->first();
    }

    /** Where a password may be set again. */
    public function sendPasswordResetNotification(#[\SensitiveParameter] $token): void
    {
        $address = url("/reset/{$token}?email=".rawurlencode($this->email));
        Mail::raw(
            "Somebody asked for a new password for your account of Honest Core.\n\n{$address}\n\nIt is good for a day. ".
                'If it was not you, nothing has to be done.',
            fn ($message) => $message->to($this->email)->subject('A new password'),
        );
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
