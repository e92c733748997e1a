<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agronomy\Crop;
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
 * @property array{thresholds: list<float|int>, crops: array<string, list<float|int>>, actions: list<string>,
 *     allowable: float|int, change: float|int, required: float, confidence: float, scale: string, looking?: string} $terms
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
        return ['terms' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    public function policy(): Policy
    {
        $terms = $this->terms;

        return Policy::of(
            $this->analyte,
            self::limits($terms['thresholds']),
            (float) $terms['allowable'],
            (float) $terms['change'],
            (float) $terms['required'],
            (float) $terms['confidence'],
            Scale::from($terms['scale']),
        )
            ->withActions($terms['actions'])
            ->lookedAt(Looking::from($terms['looking'] ?? 'once'));
    }

    /**
     * Action limits for a use of ground: those that the team has set, else those of the crop table, else those of the
     * policy.
     */
    public function limitsFor(string $use): ActionLimits
    {
        return self::limits($this->terms['crops'][$use] ?? ($this->fromTable()[$use] ?? $this->terms['thresholds']));
    }

    /**
     * @return array<string, list<float|int>> limits of every crop by its code: what the team has set, and the crop
     *                                        table for the rest
     */
    public function cropLimits(): array
    {
        return $this->terms['crops'] + $this->fromTable();
    }

    /** @return array<string, list<float>> */
    private function fromTable(): array
    {
        return $this->analyte === 'ph' ? Crop::limits() : [];
    }

    /** @param list<float|int> $values */
    private static function limits(array $values): ActionLimits
    {
        return ActionLimits::of(array_map(floatval(...), $values));
    }
}
