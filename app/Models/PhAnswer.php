<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * An answer to what may have lifted the pH of an area. Written once; the newest to a question holds.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $question
 * @property string $answer yes, no or unknown
 * @property string $note
 * @property \Illuminate\Support\Carbon $created_at
 */
final class PhAnswer extends Model
{
    use BelongsToTeam;

    protected $guarded = [];
}
