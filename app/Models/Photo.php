<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A photo of a pull, kept outside of what the server gives out by itself.
 *
 * @property int $id
 * @property int $team_id
 * @property int $sample_id
 * @property int $created_by
 * @property string $file
 * @property string $type
 * @property string $sha256
 */
final class Photo extends Model
{
    use BelongsToTeam;

    public const FOLDER = 'photos';

    protected $guarded = [];
}
