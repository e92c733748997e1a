<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Known tubes, mixed, for a reader to read.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property int $created_by
 * @property string $reader
 * @property string $source
 * @property list<array{known: float|int, hex: string|null}> $tubes
 * @property list<array{band: string, between: string|null}>|null $answers
 * @property array{tubes: int, right: int, lower: float|int, bias: float|int|null, repeatability: float|int|null,
 *     degrees_of_freedom: int}|null $score
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read TestMethod $method
 */
final class PracticeRound extends Model
{
    use BelongsToTeam;

    protected $table = 'practice_rounds';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['tubes' => 'array', 'answers' => 'array', 'score' => 'array'];
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return Collection<int, self> */
    public static function newest(int $most): Collection
    {
        return self::query()->with('method')->orderByDesc('id')->limit($most)->get();
    }
}
