<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\KeepsChanges;
use HonestCore\Sampling\KeptAway;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something on a site to keep away from, with the distance usually kept.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property string $name
 * @property array<string, mixed> $geometry
 * @property float $distance_m
 * @property-read Site $site
 */
final class Landmark extends Model
{
    use BelongsToTeam;
    use KeepsChanges;

    public const KIND = 'landmark';

    /** What is noted of a change. */
    public const KEPT = ['name', 'geometry', 'distance_m'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['geometry' => 'array', 'distance_m' => 'float'];
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** As a plan keeps away from it, at the distance that is usually kept. */
    public function keptAway(): KeptAway
    {
        return new KeptAway($this->id, $this->name, $this->distance_m, $this->geometry);
    }

    /**
     * @param list<int> $ids
     * @return array<int, self> of a site, by number
     */
    public static function ofSite(int $siteId, array $ids): array
    {
        return self::query()->where('site_id', $siteId)->findMany($ids)->keyBy('id')->all();
    }
}
