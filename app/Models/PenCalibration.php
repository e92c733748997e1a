<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A pen in its buffers, and what it showed after the run.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $instrument
 * @property bool $in_millivolts
 * @property float $celsius
 * @property list<array{buffer: float|int, shown: float|int}> $points
 * @property float $slope_percent
 * @property float $offset
 * @property float $residual
 * @property list<string> $reasons
 * @property \Illuminate\Support\Carbon $at
 * @property float|null $check_buffer
 * @property float|null $drift
 * @property \Illuminate\Support\Carbon|null $drift_at
 */
final class PenCalibration extends Model
{
    use BelongsToTeam;

    protected $table = 'calibrations';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'in_millivolts' => 'boolean',
            'celsius' => 'float',
            'points' => 'array',
            'slope_percent' => 'float',
            'offset' => 'float',
            'residual' => 'float',
            'reasons' => 'array',
            'at' => 'datetime',
            'check_buffer' => 'float',
            'drift' => 'float',
            'drift_at' => 'datetime',
        ];
    }

    /** @return Collection<int, self> */
    public static function newest(int $most): Collection
    {
        return self::query()->orderByDesc('id')->limit($most)->get();
    }
}
