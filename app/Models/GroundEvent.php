<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\FollowUp\GroundAct;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * An entry in the log of an area: what was spread, rain, or a problem. Written once; what was wrong is taken back by another
 * entry, and stays.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property int|null $program_id
 * @property string $kind application, rain, problem, or taken_back
 * @property \Illuminate\Support\Carbon $on
 * @property string $what
 * @property float $amount
 * @property string $unit
 * @property string|null $uuid
 * @property int $part
 * @property string $product
 * @property float|null $lb_per_acre
 * @property array<string, float>|null $brings
 * @property string $line of a program that it answers; empty for none
 * @property bool $as_planned
 * @property string $weather
 * @property string $spread_by
 * @property string $note
 * @property int|null $takes_back_id
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Area $area
 * @property-read User $author
 * @property-read GroundEvent|null $takenBack
 * @property-read Collection<int, BagPhoto> $photos
 */
final class GroundEvent extends Model
{
    use BelongsToTeam;

    public const TAKEN_BACK = 'taken_back';

    private const MM_PER_INCH = 25.4;

    protected $table = 'ground_events';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date', 'amount' => 'float', 'lb_per_acre' => 'float', 'brings' => 'array',
            'as_planned' => 'boolean', 'is_large' => 'boolean',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return HasOne<GroundEvent, $this> the entry that takes it back */
    public function takenBack(): HasOne
    {
        return $this->hasOne(self::class, 'takes_back_id');
    }

    /** @return HasMany<BagPhoto, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(BagPhoto::class, 'event_id');
    }

    /** @return Builder<self> what stands: neither taken back nor the taking back */
    public static function standing(): Builder
    {
        return self::query()->where('kind', '<>', self::TAKEN_BACK)->whereDoesntHave('takenBack');
    }

    /** What stands as the answer to a line of a program. */
    public static function answering(int $program, string $line): ?self
    {
        return self::standing()->where('program_id', $program)->where('line', $line)->with('author:id,name')->first();
    }

    /**
     * Lines of programs that somebody noted.
     *
     * @param list<int> $programs
     * @return array<int, array<string, true>> by program and line
     */
    public static function answered(array $programs): array
    {
        $found = [];
        foreach (self::standing()->whereIn('program_id', $programs)->where('line', '<>', '')->get(['id', 'program_id', 'line']) as $one) {
            $found[(int) $one->program_id][$one->line] = true;
        }

        return $found;
    }

    /**
     * The numbers of entries that phones sent before.
     *
     * @param list<string> $uuids
     * @return array<string, int>
     */
    public static function numbersOf(array $uuids): array
    {
        $known = [];
        foreach (self::query()->whereIn('uuid', $uuids)->get(['id', 'uuid']) as $row) {
            $known[(string) $row->uuid] = $row->id;
        }

        return $known;
    }

    /** As the history of the ground has it. */
    public function act(): GroundAct
    {
        $on = $this->on->format('Y-m-d');

        return new GroundAct(
            $this->kind,
            $on,
            $on,
            $this->kind === GroundAct::RAIN && $this->what === '' ? 'Rain' : $this->what,
            $this->lb_per_acre,
            $this->kind === GroundAct::RAIN ? $this->amount * ($this->unit === 'in' ? self::MM_PER_INCH : 1.0) : null,
            $this->brings === null ? null : array_map(floatval(...), $this->brings),
            $this->part,
            'log',
            $this->program_id,
            $this->id,
        );
    }
}
