<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Program\LocalFactor;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A factor of a school that a reviewer put to use, with the reason, until somebody ends it.
 *
 * @property int $id
 * @property int $team_id
 * @property int $signed_by
 * @property int|null $ended_by
 * @property string $school
 * @property LocalFactor $factor
 * @property string $reason
 * @property \Illuminate\Support\Carbon|null $ended_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $signer
 */
final class LocalFactorInUse extends Model
{
    use BelongsToTeam;

    protected $table = 'local_factors';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['factor' => AsValue::of(LocalFactor::class), 'ended_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function signer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'signed_by');
    }

    /** @return Collection<int, self> every one there was, the newest first */
    public static function register(): Collection
    {
        return self::query()->with('signer')->orderByDesc('id')->get();
    }

    /** @return Builder<self> */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('ended_at')->orderBy('id');
    }
}
