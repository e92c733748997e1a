<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One tube of a run and the portion in it.
 *
 * @property int $id
 * @property int $team_id
 * @property int $run_id
 * @property int $portion_id
 * @property int $number
 * @property int $replicate
 * @property-read Portion $portion
 */
final class RunTube extends Model
{
    use BelongsToTeam;

    protected $table = 'bench_tubes';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [];
    }

    /** @return BelongsTo<Portion, $this> */
    public function portion(): BelongsTo
    {
        return $this->belongsTo(Portion::class);
    }
}
