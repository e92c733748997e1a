<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Custody\Outcome;
use HonestCore\Custody\PullEntry;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a phone noted of one core: written once.
 *
 * @property int $id
 * @property int $team_id
 * @property int $plan_id
 * @property int $created_by
 * @property int $composite
 * @property string $uuid
 * @property string $device
 * @property int $ordinal
 * @property int $sequence
 * @property Outcome $outcome
 * @property string $reason
 * @property \Illuminate\Support\Carbon $said_at
 * @property \Illuminate\Support\Carbon $noted_at
 * @property float|null $longitude
 * @property float|null $latitude
 * @property float|null $accuracy_m
 * @property list<string> $settles
 * @property bool $late
 * @property-read User $author
 */
final class PullNote extends Model
{
    use BelongsToTeam;

    protected $table = 'pull_entries';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['said_at' => 'datetime', 'noted_at' => 'datetime', 'settles' => 'array', 'late' => 'boolean', 'outcome' => Outcome::class];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    public function entry(): PullEntry
    {
        return new PullEntry(
            $this->uuid,
            $this->device,
            $this->ordinal,
            $this->sequence,
            $this->outcome,
            $this->settles,
        );
    }

    /** Did phones note any core of a composite? */
    public static function areOf(Plan $plan, int $composite): bool
    {
        return self::query()->where(['plan_id' => $plan->id, 'composite' => $composite])->exists();
    }
}
