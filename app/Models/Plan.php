<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Database\State;
use App\Database\Values;
use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\IsShown;
use App\Models\Concerns\KeepsChanges;
use HonestCore\Sampling\Layout;
use HonestCore\Sampling\PlanSpec;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Where the cores of one composite are pulled. The boundary and the layout are kept as they were drafted.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $purpose
 * @property PlanSpec $spec
 * @property array<string, mixed> $boundary
 * @property Layout $layout
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
    use KeepsChanges;

    public const KIND = 'plan';

    /** What is noted of a change. */
    public const KEPT = ['pull_on'];
    use IsShown;

    public const SHOWN_WITH = ['area', 'author', 'samples'];

    protected $guarded = [];

    /** Names its spec: an edit that began from another is not taken. Its day is moved apart from that. */
    public function specState(): string
    {
        return State::of($this->spec->toRow());
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'spec' => AsValue::of(PlanSpec::class),
            'boundary' => 'array',
            'layout' => AsValue::of(Layout::class),
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
        $pulled = Values::wholes($this->samples->pluck('composite'));

        return array_values(array_diff(range(1, $this->composites), $pulled));
    }

    /** @return list<string> what was spread so shortly before its day, or today, that a core would bring up grains */
    public function tooSoon(): array
    {
        $this->loadMissing('area.groundEvents');

        return $this->area->groundHistory()->warnings(
            new \DateTimeImmutable($this->pull_on?->format('Y-m-d') ?? now()->format('Y-m-d')),
        );
    }

    /** The day at its site, as Y-m-d. */
    public function today(): string
    {
        return now($this->loadMissing('area.site')->area->site->timezone)->format('Y-m-d');
    }
}
