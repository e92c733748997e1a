<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A change of a draft: what, and why. Written once.
 *
 * @property int $id
 * @property int $team_id
 * @property int $draft_id
 * @property int $created_by
 * @property string $what
 * @property string $reason
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 */
final class ProgramChange extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }
}
