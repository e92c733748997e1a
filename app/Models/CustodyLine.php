<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Values;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Custody\TrailLine;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One line of a portion's trail: written once.
 *
 * @property int $id
 * @property int $team_id
 * @property int $portion_id
 * @property int $created_by
 * @property string $uuid
 * @property string $step
 * @property \Illuminate\Support\Carbon $at
 * @property string $place
 * @property string $condition
 * @property float|null $celsius
 * @property string|null $corrects
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 * @property-read RecordLink|null $link
 */
final class CustodyLine extends Model
{
    use BelongsToTeam;

    protected $table = 'custody_lines';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'datetime', 'celsius' => 'float'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return HasOne<RecordLink, $this> none for a line that came past the program */
    public function link(): HasOne
    {
        $link = $this->hasOne(RecordLink::class, 'row');
        $link->where('table', 'custody_lines');

        return $link;
    }

    /** From the time as it is stored: a page of the ledger replays hundreds of lines. */
    public function ofTrail(): TrailLine
    {
        return new TrailLine(
            $this->uuid,
            $this->step,
            (int) strtotime(Values::text($this->getRawOriginal('at')).' UTC'),
            $this->place,
            $this->condition,
            $this->celsius,
            $this->corrects,
        );
    }
}
