<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * Ground of an area that is left untreated: an area of its own that was drawn, or a strip that is only named, whose composites
 * are said one by one.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property int|null $control_area_id
 * @property string $name
 * @property \Illuminate\Support\Carbon $since
 * @property \Illuminate\Support\Carbon|null $ended_on
 * @property string $note
 * @property-read Area $area
 * @property-read Area|null $ground
 * @property-read Collection<int, Sample> $samples
 */
final class Control extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['since' => 'date', 'ended_on' => 'date'];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<Area, $this> */
    public function ground(): BelongsTo
    {
        return $this->belongsTo(Area::class, 'control_area_id');
    }

    /** @return BelongsToMany<Sample, $this, \Illuminate\Database\Eloquent\Relations\Pivot> those that were said to come from it */
    public function samples(): BelongsToMany
    {
        return $this->belongsToMany(Sample::class, 'control_samples');
    }

    public function coversDay(string $day): bool
    {
        return $this->since->format('Y-m-d') <= $day && ($this->ended_on === null || $this->ended_on->format('Y-m-d') >= $day);
    }
}
