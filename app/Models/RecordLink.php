<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * The link of a row in its team's chain: its position is the server's own order of what was written.
 *
 * @property int $id
 * @property int $team_id
 * @property int $position
 * @property string $table
 * @property int $row
 */
final class RecordLink extends Model
{
    use BelongsToTeam;

    public $timestamps = false;

    protected $guarded = [];
}
