<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\KeepsChanges;
use HonestCore\Agronomy\Crop;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\GroundHistory;
use HonestCore\Sampling\AreaFacts;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A sampling area: ground that shares its history and use, and so may share a composite.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property string $name
 * @property string $use
 * @property string $history
 * @property array<string, mixed> $boundary
 * @property float $area_m2
 * @property array<string, mixed> $facts
 * @property int $samples_count
 * @property int $plans_count
 * @property-read Site $site
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Plan> $plans
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Sample> $samples
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Sample> $measured
 * @property-read \Illuminate\Database\Eloquent\Collection<int, GroundEvent> $groundEvents
 * @property-read \Illuminate\Database\Eloquent\Collection<int, PhAnswer> $phAnswers
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ProgramDraft> $drafts
 */
final class Area extends Model
{
    use BelongsToTeam;
    use KeepsChanges;

    public const KIND = 'area';

    /** What is noted of a change. */
    public const KEPT = ['name', 'use', 'history', 'boundary', 'facts'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['boundary' => 'array', 'facts' => 'array', 'area_m2' => 'float'];
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return HasMany<Plan, $this> */
    public function plans(): HasMany
    {
        return $this->hasMany(Plan::class);
    }

    /** @return HasMany<Sample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(Sample::class);
    }

    /**
     * Composites again, for those of them in which anything was read: see GatherParts.
     *
     * @return HasMany<Sample, $this>
     */
    public function measured(): HasMany
    {
        return $this->hasMany(Sample::class);
    }

    /**
     * What was spread on it, rain and problems, as far as they stand.
     *
     * @return HasMany<GroundEvent, $this>
     */
    public function groundEvents(): HasMany
    {
        $standing = $this->hasMany(GroundEvent::class);
        $standing->where('kind', '<>', GroundEvent::TAKEN_BACK)->whereDoesntHave('takenBack');

        return $standing;
    }

    /** The one history of its ground: what its facts say and what was noted. */
    public function groundHistory(): GroundHistory
    {
        return GroundHistory::of(
            $this->knownFacts(),
            array_values($this->groundEvents->map(static fn (GroundEvent $event): GroundAct => $event->act())->all()),
        );
    }

    /** Its facts with what was logged among their events, as advice about sharing a composite is made from. */
    public function factsWithLog(): AreaFacts
    {
        return $this->groundHistory()->intoFacts($this->knownFacts());
    }

    /**
     * What was answered about a high pH.
     *
     * @return HasMany<PhAnswer, $this>
     */
    public function phAnswers(): HasMany
    {
        return $this->hasMany(PhAnswer::class);
    }

    /**
     * Programs that are drafted.
     *
     * @return HasMany<ProgramDraft, $this>
     */
    public function drafts(): HasMany
    {
        return $this->hasMany(ProgramDraft::class);
    }

    /** Has another area of the site its name? */
    public static function isNameTaken(self $area): bool
    {
        return self::query()->where('site_id', $area->site_id)->where('name', $area->name)->whereKeyNot($area->id)->exists();
    }

    public function knownFacts(): AreaFacts
    {
        return AreaFacts::of($this->facts);
    }

    /**
     * The zones of its newest plan by zone, as long as its boundary is still the one they were drawn in.
     *
     * @return array<string, mixed>|null GeoJSON
     */
    public function drawnZones(): ?array
    {
        $plans = Plan::query()->where('area_id', $this->id)->orderByDesc('id');
        $plans->whereNotNull('spec->zones');
        $plan = $plans
            ->get(['id', 'spec', 'boundary'])
            ->first(fn (Plan $plan): bool => $plan->boundary === $this->boundary);

        return $plan?->spec->zones;
    }

    public function crop(): Crop
    {
        return Crop::of($this->use);
    }

    /**
     * @param array<int|string, string|\Closure> $with
     * @return Collection<int, self> of a site, by name
     */
    public static function ofSite(int $siteId, array $with = []): Collection
    {
        return self::query()->where('site_id', $siteId)->with($with)->orderBy('name')->get();
    }
}
