<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A report as it came over a lab's interface, kept as it is.
 *
 * @property int $id
 * @property int $team_id
 * @property int $consignment_id
 * @property string $name
 * @property string $content
 * @property string $sha256
 * @property \Illuminate\Support\Carbon $created_at
 */
final class DeliveredReport extends Model
{
    use BelongsToTeam;

    protected $guarded = [];
}
