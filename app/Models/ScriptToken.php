<?php

declare(strict_types=1);

namespace App\Models;

use Laravel\Sanctum\PersonalAccessToken;

/**
 * A token by which a script asks in a person's name. Only its hash is kept.
 *
 * @property int $id
 * @property string $name
 * @property list<string> $abilities
 * @property \Illuminate\Support\Carbon|null $last_used_at
 * @property \Illuminate\Support\Carbon|null $expires_at
 * @property-read \Illuminate\Database\Eloquent\Model|null $tokenable
 */
final class ScriptToken extends PersonalAccessToken
{
    public const WRITES = 'write';

    public const READS = 'read';

    protected $table = 'personal_access_tokens';

    /** Is it good at this moment? */
    public function isGood(): bool
    {
        return $this->expires_at !== null && $this->expires_at->isFuture();
    }
}
