<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * Rain on an area, or what was spread on it.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $kind
 * @property \Illuminate\Support\Carbon $on
 * @property string $what
 * @property float $amount
 * @property string $unit
 */
final class GroundEvent extends Model
{
    use BelongsToTeam;

    protected $table = 'ground_events';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'date', 'amount' => 'float'];
    }
}
