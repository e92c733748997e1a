<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A spreadsheet of old pairs of one test and one lab's method, brought in whole. Written once; it can be withdrawn.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property int $reference_id
 * @property int $created_by
 * @property string $submission
 * @property string $file_name
 * @property string $sha256
 * @property string $use
 * @property string $says
 * @property array<string, mixed> $mapping
 * @property list<array{row: int, reason: string}> $left_out
 * @property \Illuminate\Support\Carbon|null $withdrawn_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property int $pairs_count
 * @property-read TestMethod $method
 * @property-read TestMethod $reference
 * @property-read User $author
 * @property-read Collection<int, RecordPair> $pairs
 */
final class RecordSet extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mapping' => 'array', 'left_out' => 'array', 'withdrawn_at' => 'datetime'];
    }

    /** @return Builder<self> those that count, of a test and what it is held against */
    public static function of(TestMethod $test, TestMethod $reference): Builder
    {
        return self::query()
            ->where('method_id', $test->id)
            ->where('reference_id', $reference->id)
            ->whereNull('withdrawn_at')
            ->orderBy('id');
    }

    /** @return Collection<int, self> of a test, the newest first, those that were withdrawn too */
    public static function listed(TestMethod $test): Collection
    {
        return self::query()
            ->where('method_id', $test->id)
            ->with(['method', 'reference', 'author'])
            ->withCount('pairs')
            ->orderByDesc('id')
            ->get();
    }

    /** Taken out of what is judged; it stays on record. */
    public function withdrawn(): self
    {
        if ($this->withdrawn_at === null) {
            $this->update(['withdrawn_at' => now()]);
        }

        return $this->shown();
    }

    public function shown(): self
    {
        return $this->load(['method', 'reference', 'author'])->loadCount('pairs');
    }

    /** @return HasMany<RecordPair, $this> */
    public function pairs(): HasMany
    {
        return $this->hasMany(RecordPair::class, 'set_id');
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function reference(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'reference_id');
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }
}
