<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A lab's result that was on screen for somebody, the first time that it was.
 *
 * @property int $id
 * @property int $team_id
 * @property int $user_id
 * @property int $reading_id
 * @property \Illuminate\Support\Carbon $seen_at
 */
final class Glimpse extends Model
{
    use BelongsToTeam;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seen_at' => 'datetime'];
    }
}
