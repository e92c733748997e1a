<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A running number kept for one composite and layer of a plan, so that its labels can be printed before the field.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property int $plan_id
 * @property int $composite
 * @property string $depth
 * @property int $year
 * @property int $number
 */
final class ReservedCode extends Model
{
    use BelongsToTeam;

    protected $guarded = [];
}
