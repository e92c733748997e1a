<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TakenScope;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One file of lab results, taken whole.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $file_name
 * @property string $sha256
 * @property int $rows
 * @property int $readings_count
 * @property int|null $lab_id
 * @property int|null $supersedes_id
 * @property \Illuminate\Support\Carbon|null $read_on
 * @property array<string, mixed>|null $mapping
 * @property list<array{row: int, why: string}> $left_out
 * @property string $state taking, sealing or taken
 * @property int $results_count
 * @property int $questions_count
 * @property int $open_count
 * @property bool $is_replaced
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Lab|null $lab
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 */
final class LabReport extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    protected static function booted(): void
    {
        self::addGlobalScope(new TakenScope('id'));
    }

    protected $attributes = ['left_out' => '[]'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['read_on' => 'date', 'mapping' => 'array', 'left_out' => 'array'];
    }

    /** @return HasOne<self, $this> the corrected report that took its place */
    public function successor(): HasOne
    {
        return $this->hasOne(self::class, 'supersedes_id');
    }

    /** @return BelongsTo<Lab, $this> */
    public function lab(): BelongsTo
    {
        return $this->belongsTo(Lab::class);
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'report_id');
    }

    /** @return HasMany<LabResult, $this> */
    public function results(): HasMany
    {
        return $this->hasMany(LabResult::class, 'report_id');
    }

    /** @return HasMany<ReportPaper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(ReportPaper::class, 'report_id');
    }

    /** @return HasMany<ReportQuestion, $this> */
    public function questions(): HasMany
    {
        return $this->hasMany(ReportQuestion::class, 'report_id');
    }

    private const COUNTED = ['readings', 'results', 'questions'];

    /** @return Builder<self> all, the newest first, with how much is in each and how much is open */
    public static function register(): Builder
    {
        return self::query()->withCount(self::counts())->withExists('successor as is_replaced')->orderByDesc('id');
    }

    /**
     * Those that a corrected report of a lab may replace: its own, and those of which no lab is known.
     *
     * @param Builder<self> $reports
     */
    public static function replaceableFor(Builder $reports, int $lab): void
    {
        $reports->whereDoesntHave('successor')
            ->where(static fn (Builder $of): Builder => $of->whereNull('lab_id')->orWhere('lab_id', $lab));
    }

    public function counted(): self
    {
        return $this->loadCount(self::counts())->loadExists('successor as is_replaced');
    }

    /** @return array<int|string, string|callable> */
    private static function counts(): array
    {
        // The report itself is one that may be seen, and what is in it is of its team.
        $all = static fn ($query) => $query->withoutGlobalScopes();

        return [
            ...array_fill_keys(self::COUNTED, $all),
            'questions as open_count' => static fn ($query) => $all($query)->whereNull('answer'),
        ];
    }

    /** The corrected report that took its place; null while it stands. */
    public function replacement(): ?self
    {
        return $this->successor()->first();
    }
}
