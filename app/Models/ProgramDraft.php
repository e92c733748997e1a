<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Program\ProgramChoices;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What somebody chose for a program that is not signed: one for an area, crop and season, changed with reasons.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $crop
 * @property int $season the year of planting
 * @property ProgramChoices $choices
 * @property int $version
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ProgramChange> $edits
 */
final class ProgramDraft extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['choices' => AsValue::of(ProgramChoices::class)];
    }

    /** @return HasMany<ProgramChange, $this> */
    public function edits(): HasMany
    {
        return $this->hasMany(ProgramChange::class, 'draft_id');
    }

    public static function for(Area $area, string $crop, int $season): ?self
    {
        return self::query()
            ->where('area_id', $area->id)
            ->where('crop', $crop)
            ->where('season', $season)
            ->with('edits.author')
            ->first();
    }
}
