<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A split of a composite with a destination and a code of its own.
 *
 * @property int $id
 * @property int $team_id
 * @property int $sample_id
 * @property string $kind
 * @property string $code
 * @property-read Sample $sample
 */
final class Portion extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return BelongsTo<Sample, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Sample::class);
    }
}
