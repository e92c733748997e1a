<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Variance\SamplingFigures;
use Illuminate\Database\Eloquent\Model;

/**
 * What the duplicates of a lab's method said the last time they were looked at, kept so that pages need not look again.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property SamplingFigures $figures
 */
final class KeptSampling extends Model
{
    use BelongsToTeam;

    protected $table = 'sampling_figures';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figures' => AsValue::of(SamplingFigures::class)];
    }
}
