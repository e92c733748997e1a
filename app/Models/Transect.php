<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Probe\RowTransect;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Readings of a nitrate probe from a row to mid-row.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property \Illuminate\Support\Carbon $read_on
 * @property string $reader
 * @property string $instrument
 * @property float $row_spacing_cm
 * @property list<array{cm: float|int, readings: list<float|int>}> $places
 * @property string $note
 */
final class Transect extends Model
{
    use BelongsToTeam;

    protected $table = 'transects';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['read_on' => 'date', 'row_spacing_cm' => 'float', 'places' => 'array'];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    public function across(): RowTransect
    {
        return RowTransect::of(
            $this->row_spacing_cm,
            array_map(
                static fn (array $place): array => [
                    'cm' => (float) $place['cm'],
                    'readings' => array_map(floatval(...), $place['readings']),
                ],
                $this->places,
            ),
        );
    }
}
