<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\KeepsChanges;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A property: the ground of one owner, under one address, with its own clock and units.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property string $letters
 * @property string $address
 * @property string $timezone
 * @property string $units
 * @property string|null $school
 * @property string $nutrient_school build or sufficiency
 * @property string $lime_school whose buffer sizes lime; empty for the first there is
 * @property string|null $owner whose ground it is
 * @property string|null $phone
 * @property float $latitude
 * @property float $longitude
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Area> $areas
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Landmark> $landmarks
 */
final class Site extends Model
{
    use BelongsToTeam;
    use KeepsChanges;

    public const KIND = 'site';

    /** What is noted of a change. */
    public const KEPT = [
        'name', 'letters', 'address', 'owner', 'phone', 'timezone', 'units', 'latitude', 'longitude', 'school',
        'nutrient_school', 'lime_school',
    ];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['latitude' => 'float', 'longitude' => 'float'];
    }

    /** @return HasMany<Area, $this> */
    public function areas(): HasMany
    {
        return $this->hasMany(Area::class);
    }

    /** @return HasMany<Landmark, $this> */
    public function landmarks(): HasMany
    {
        return $this->hasMany(Landmark::class);
    }

    /** Were composites pulled there, whose codes begin with its letters? */
    public function hasSamples(): bool
    {
        return Sample::query()->where('site_id', $this->id)->exists();
    }

    /** @return Collection<int, self> */
    public static function byName(): Collection
    {
        return self::query()->orderBy('name')->get();
    }

    /** With its areas by name and all that is drawn beside them. */
    public function drawn(): self
    {
        return $this->load([
            'areas' => static fn (HasMany $areas) => $areas->withCount('samples')->orderBy('name'),
            'areas.plans:id,area_id',
            'landmarks',
        ]);
    }
}
