<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One file of lab results, taken whole.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $file_name
 * @property string $sha256
 * @property int $rows
 * @property int $readings_count
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 */
final class LabImport extends Model
{
    use BelongsToTeam;

    protected $table = 'imports';

    protected $guarded = [];

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'import_id');
    }
}
