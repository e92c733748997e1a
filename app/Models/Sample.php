<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Like;
use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\IsShown;
use HonestCore\Custody\PullConditions;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A composite sample: cores of one area and depth, mixed.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property int $area_id
 * @property int $plan_id
 * @property int $created_by
 * @property string $code
 * @property int $year
 * @property int $number
 * @property string $depth
 * @property int $composite
 * @property \Illuminate\Support\Carbon $pulled_on
 * @property string $pulled_by
 * @property int $cores_planned
 * @property bool $deviates
 * @property int $cores_pulled
 * @property string $note
 * @property string|null $submission
 * @property array{depth_reached_cm?: float|int, tool?: string, moisture?: string, weather?: string,
 *     helper?: string} $conditions
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Site $site
 * @property-read Area $area
 * @property-read Plan $plan
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Portion> $portions
 * @property-read \Illuminate\Database\Eloquent\Collection<int, CorePull> $pulls
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Photo> $photos
 */
final class Sample extends Model
{
    use BelongsToTeam;
    use IsShown;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['pulled_on' => 'date', 'conditions' => 'array', 'deviates' => 'boolean'];
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<Plan, $this> */
    public function plan(): BelongsTo
    {
        return $this->belongsTo(Plan::class);
    }

    /** @return HasMany<Portion, $this> */
    public function portions(): HasMany
    {
        return $this->hasMany(Portion::class);
    }

    /** @return HasMany<CorePull, $this> */
    public function pulls(): HasMany
    {
        return $this->hasMany(CorePull::class);
    }

    /** @return HasMany<Photo, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(Photo::class);
    }

    /** @return list<string> what every reading of it carries */
    public function deviations(): array
    {
        $said = $this->conditions;
        if ($said === [] && $this->cores_pulled >= $this->cores_planned) {
            return [];
        }
        $reached = $said['depth_reached_cm'] ?? null;

        return PullConditions::of(
            $reached === null ? null : (float) $reached,
            $said['tool'] ?? '',
            $said['moisture'] ?? '',
        )->deviations(DepthLayer::parse($this->depth), $this->cores_planned, $this->cores_pulled);
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class);
    }

    public const SHOWN_WITH = [
        'area',
        'site',
        'portions',
        'pulls',
        'photos:id,sample_id',
        'readings.method',
        'readings.correction:id,corrects_id',
    ];

    /** @return Builder<self> of a site, the newest first */
    public static function newestOfSite(int $siteId, bool $withResults): Builder
    {
        return self::query()
            ->with(self::SHOWN_WITH)
            ->unless($withResults, static fn (Builder $samples): Builder => $samples->with([
                'readings' => static fn ($readings) => $readings
                    ->whereHas('method', static fn (Builder $methods): Builder => $methods->where('workplace', 'bench'))
                    ->with(['method', 'correction:id,corrects_id']),
            ]))
            ->where('site_id', $siteId)
            ->orderByDesc('year')
            ->orderByDesc('number');
    }

    /**
     * Those that a method has read, by readings that no correction has replaced.
     *
     * @param Builder<self> $samples
     */
    public static function readBy(Builder $samples, int $methodId): void
    {
        $samples->whereHas('readings', self::standing($methodId));
    }

    /**
     * Those that it has not.
     *
     * @param Builder<self> $samples
     */
    public static function notReadBy(Builder $samples, int $methodId): void
    {
        $samples->whereDoesntHave('readings', self::standing($methodId));
    }

    /**
     * Those whose label, or the name of whose area, has these words in it.
     *
     * @param Builder<self> $samples
     */
    public static function named(Builder $samples, string $words): void
    {
        $samples->where(static fn (Builder $any): Builder => $any
            ->where(Like::in('code', $words))
            ->orWhereHas('portions', Like::in('portions.code', $words))
            ->orWhereHas('area', Like::in('areas.name', $words)));
    }

    /** @return \Closure(Builder<Reading>): Builder<Reading> */
    private static function standing(int $methodId): \Closure
    {
        return static fn (Builder $readings): Builder => $readings->where('method_id', $methodId)->whereDoesntHave('correction');
    }

    /** Was this composite pulled from the area? */
    public static function isOf(Area $area, int $id): bool
    {
        return self::query()->where('area_id', $area->id)->whereKey($id)->exists();
    }
}
