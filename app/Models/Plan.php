<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Where the cores of one composite are pulled. The boundary and the layout are kept as they were drafted.
 *
 * @phpstan-type Spec array{purpose: string, school: string|null, layers: list<string>, cores: int,
 *     pattern: string, cell_acres: float|null, cell_mode: string, rows: array{spacing_m: float, bearing_deg: float}|null,
 *     zones: array<string, mixed>|null, start: array{float, float}|null, speed_km_per_h: float|null,
 *     seconds_per_core: float|null, edge_m: float, probe_mm: float, seed: int, ph_sd: float|null, kept_reason: string|null,
 *     quality?: array{duplicates: int, hidden: int}|null, keep_away: list<array{landmark_id: int, name: string,
 *     distance_m: float, geometry: array<string, mixed>}>}
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $purpose
 * @property Spec $spec
 * @property array<string, mixed> $boundary
 * @property array{cores: list<array{composite: int, sequence: int, longitude: float, latitude: float,
 *     leg_m: float|null, bearing_deg: float|null}>, composites: list<array{number: int, cores: int, walk_m: float,
 *     outline: list<list<array{float, float}>>, duplicate_of?: int}>, walk_m: float, minutes: float, margin?: array{ph: float,
 *     sd: float}, quality?: array{hidden: list<int>}} $layout the whole of it is what LayOut gives
 * @property int $composites how many
 * @property \Illuminate\Support\Carbon|null $pull_on
 * @property float $walk_m
 * @property float $minutes
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Area $area
 * @property-read User $author
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Sample> $samples
 */
final class Plan extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'spec' => 'array',
            'boundary' => 'array',
            'layout' => 'array',
            'walk_m' => 'float',
            'minutes' => 'float',
            'pull_on' => 'date',
        ];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return HasMany<Sample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(Sample::class);
    }

    /** @return list<int> numbers of the composites that nothing was pulled of yet */
    public function toPull(): array
    {
        $pulled = $this->samples->pluck('composite')->all();

        return array_values(array_diff(range(1, $this->composites), $pulled));
    }
}
