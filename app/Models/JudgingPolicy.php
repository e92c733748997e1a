<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Database\Values;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\PolicyTerms;
use HonestCore\Agronomy\Crop;
use HonestCore\Analyte\Analytes;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The limits set before the evidence is opened: written once, a change is a new version.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $analyte
 * @property int $version
 * @property PolicyTerms $terms
 * @property string $reason
 * @property int|null $pairs_then pairs that were there when it was set
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $author
 */
final class JudgingPolicy extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['terms' => AsValue::of(PolicyTerms::class)];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    public function policy(): Policy
    {
        return $this->terms->policy($this->analyte);
    }

    /**
     * Action limits for a use of ground: those that the team has set, else those of the crop table, else those of the
     * policy.
     */
    public function limitsFor(string $use): ActionLimits
    {
        return $this->terms->limitsFor($use, $this->fromTable());
    }

    /**
     * Limits of every crop by its code: what the team has set, and the crop table for the rest.
     *
     * @return array<string, list<float>>
     */
    public function cropLimits(): array
    {
        return $this->terms->crops + $this->fromTable();
    }

    /** @return array<string, list<float>> */
    private function fromTable(): array
    {
        return $this->analyte === 'ph' ? Crop::limits() : [];
    }

    /** The version in force; null where nothing is set for the analyte. */
    public static function newest(string $analyte): ?self
    {
        return self::query()->where('analyte', $analyte)->orderByDesc('version')->first();
    }

    /** @return Collection<int, self> every version, by analyte, the newest first */
    public static function register(): Collection
    {
        $codes = array_keys(Analytes::all());

        return self::query()
            ->with('author')
            ->orderByDesc('version')
            ->get()
            ->sortBy(static fn (self $policy): int => (int) array_search($policy->analyte, $codes, true))
            ->values();
    }

    /** @return list<string> analytes that a policy is set for */
    public static function analytes(): array
    {
        return Values::texts(self::query()->distinct()->pluck('analyte'));
    }
}
