<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A photo of the bag that was spread from, kept outside of what the server gives out by itself.
 *
 * @property int $id
 * @property int $team_id
 * @property int $event_id
 * @property int $created_by
 * @property string $file
 * @property string $type
 * @property string $sha256
 */
final class BagPhoto extends Model
{
    use BelongsToTeam;

    protected $guarded = [];
}
