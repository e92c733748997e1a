<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * How the columns of a lab's file were read the last time.
 *
 * @property int $id
 * @property int $team_id
 * @property int $lab_id
 * @property string $fingerprint
 * @property array<string, mixed> $mapping
 */
final class LabMapping extends Model
{
    use BelongsToTeam;

    protected $table = 'lab_mappings';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mapping' => 'array'];
    }
}
