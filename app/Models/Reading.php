<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TakenScope;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * One reading of one portion by one method, as it was reported. A correction is a new reading.
 *
 * @property int $id
 * @property int $team_id
 * @property int $sample_id
 * @property int $portion_id
 * @property int $method_id
 * @property int|null $report_id
 * @property int $created_by
 * @property int|null $corrects_id
 * @property float|null $value
 * @property string|null $band
 * @property string $as_reported
 * @property \Illuminate\Support\Carbon $read_on
 * @property string $reader
 * @property list<string> $flags
 * @property string $note
 * @property int|null $method_version_id
 * @property int|null $run_id
 * @property string|null $between
 * @property string $lot
 * @property array<string, mixed>|null $detail
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Sample $sample
 * @property-read Portion $portion
 * @property-read TestMethod $method
 * @property-read Reading|null $corrects
 * @property-read Reading|null $correction
 */
final class Reading extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    protected static function booted(): void
    {
        self::addGlobalScope(new TakenScope('report_id'));
    }

    /**
     * What stands of readings now: the last correction of each, or itself. As many questions as corrections lie on one another.
     *
     * @param list<int> $ids
     * @return array<int, int> by the reading asked about
     */
    public static function standingFor(array $ids): array
    {
        $stands = array_combine($ids, $ids);
        for ($asked = $ids; $asked !== [];) {
            $newer = [];
            foreach (self::query()->whereIn('corrects_id', $asked)->get(['id', 'corrects_id']) as $one) {
                $newer[(int) $one->corrects_id] = $one->id;
            }
            foreach ($stands as $first => $now) {
                $stands[$first] = $newer[$now] ?? $now;
            }
            $asked = array_values($newer);
        }

        return $stands;
    }

    /**
     * The same reading with something else said of it: a row of its own, that points at this one.
     *
     * @param array<string, mixed> $changes by column
     */
    public function corrected(array $changes): self
    {
        try {
            return self::record([
                ...$this->only([
                    'sample_id', 'portion_id', 'method_id', 'report_id', 'value', 'band', 'as_reported', 'read_on', 'reader',
                    'flags', 'note', 'method_version_id', 'run_id', 'between', 'lot', 'detail',
                ]),
                ...$changes,
                'created_by' => User::signedIn()->id ?? $this->created_by,
                'corrects_id' => $this->id,
            ]);
        } catch (UniqueConstraintViolationException) {
            // A report that is being taken corrects it already, which nobody sees yet.
            throw Conflict::because('nothing_to_correct');
        }
    }

    /** How often a test has read a composite, corrected readings too. */
    public static function countOf(Sample $sample, TestMethod $test): int
    {
        return self::query()->where('sample_id', $sample->id)->where('method_id', $test->id)->count();
    }

    /**
     * Was a lab's value of the composite known to the reader before? Null where that was not kept yet, and of labs.
     */
    public function seenBefore(): ?bool
    {
        $seen = $this->detail['seen'] ?? null;

        return is_bool($seen) ? $seen : null;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['value' => 'float', 'read_on' => 'date', 'flags' => 'array', 'detail' => 'array'];
    }

    /** @return BelongsTo<Sample, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Sample::class);
    }

    /** @return BelongsTo<Portion, $this> */
    public function portion(): BelongsTo
    {
        return $this->belongsTo(Portion::class);
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return BelongsTo<Reading, $this> */
    public function corrects(): BelongsTo
    {
        return $this->belongsTo(Reading::class, 'corrects_id');
    }

    /** @return HasOne<Reading, $this> */
    public function correction(): HasOne
    {
        return $this->hasOne(Reading::class, 'corrects_id');
    }

    /**
     * Readings that stand: numbers of labs, by the rules, that no later one corrects.
     *
     * @return Builder<self>
     */
    public static function numbersOfLabs(string $analyte): Builder
    {
        return self::query()
            ->where('flags', '[]')
            ->whereNotNull('value')
            ->whereDoesntHave('correction')
            ->whereHas('method', static fn ($methods) => $methods->where('analyte', $analyte)->where('workplace', 'lab'));
    }

    /**
     * How many there are of each method: all by an index alone, less the few of reports that are being taken.
     *
     * @return array<int, int>
     */
    public static function countedByMethod(): array
    {
        $of = static fn () => self::query()
            ->withoutGlobalScope(TakenScope::class)
            ->toBase()
            ->groupBy('method_id')
            ->selectRaw('method_id, count(*) AS readings');
        $all = array_map(Values::whole(...), $of()->pluck('readings', 'method_id')->all());
        $reports = DB::table('lab_reports')->whereRaw("state <> 'taken'")->pluck('id');
        $inHand = $reports->isEmpty() ? [] : $of()->whereIn('report_id', $reports)->pluck('readings', 'method_id');
        foreach ($inHand as $method => $count) {
            $all[$method] -= Values::whole($count);
        }

        return array_filter($all);
    }

    /** @return list<string> who read a test, by name */
    public static function readersOf(TestMethod $test): array
    {
        $names = self::query()
            ->where('method_id', $test->id)
            ->whereDoesntHave('correction')
            ->distinct()
            ->orderBy('reader')
            ->pluck('reader');

        return Values::texts($names);
    }
}
