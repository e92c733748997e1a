<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Figures of a rule table that a team put in the place of those that ship, for all its sites or for one. Written once; the
 * newest holds, and one without figures puts back those that ship.
 *
 * @property int $id
 * @property int $team_id
 * @property int|null $site_id
 * @property int $created_by
 * @property string $name
 * @property array<string, float|int> $figures
 * @property string $source
 * @property \Illuminate\Support\Carbon $dated
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 */
final class TableChange extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figures' => 'array', 'dated' => 'date'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /**
     * What holds for a site, by table: its own change goes before that of the team.
     *
     * @return Collection<string, self>
     */
    public static function holdingFor(?int $siteId): Collection
    {
        $rows = self::query()
            ->where(static fn ($rows) => $rows->whereNull('site_id')->orWhere('site_id', $siteId))
            ->with('author')
            ->orderByDesc('id')
            ->get();
        $newest = $rows->unique(static fn (self $row): string => "{$row->name} {$row->site_id}");

        return $newest
            ->filter(static fn (self $row): bool => $row->figures !== [])
            ->sortBy(static fn (self $row): int => $row->site_id === null ? 1 : 0)
            ->unique('name')
            ->keyBy('name');
    }
}
