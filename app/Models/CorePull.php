<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Custody\Outcome;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What became of one planned core.
 *
 * @property int $id
 * @property int $team_id
 * @property int $sample_id
 * @property int $sequence
 * @property Outcome $outcome
 * @property string $reason
 * @property-read Sample $sample
 */
final class CorePull extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['outcome' => Outcome::class];
    }

    /** @return BelongsTo<Sample, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Sample::class);
    }
}
