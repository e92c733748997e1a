<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * The week that somebody moved an area's next round to.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $moved_by
 * @property \Illuminate\Support\Carbon $week
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class CampaignDay extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['week' => 'date'];
    }
}
