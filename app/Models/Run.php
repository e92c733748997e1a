<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Several tubes led through one method together.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property int $method_id
 * @property int $method_version_id
 * @property int|null $calibration_id
 * @property int $created_by
 * @property string $submission
 * @property string $state
 * @property non-empty-list<string> $readers
 * @property array<string, string> $said
 * @property float|null $celsius
 * @property float|null $depth_cm
 * @property list<array{reagent: string, lot: string, expires_on: string|null, expired: bool}> $lots
 * @property non-empty-list<array<string, mixed>> $steps
 * @property int $started_ms
 * @property \Illuminate\Support\Carbon|null $finished_at
 * @property float|null $elapsed_s
 * @property float|null $attention_s
 * @property int|null $cost_cents
 * @property string $note
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read TestMethod $method
 * @property-read MethodVersion $version
 * @property-read PenCalibration|null $calibration
 * @property-read \Illuminate\Database\Eloquent\Collection<int, RunTube> $tubes
 * @property-read \Illuminate\Database\Eloquent\Collection<int, RunMark> $marks
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ProbeCapture> $captures
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 * @property-read int $tubes_count
 * @property-read int $readings_count
 */
final class Run extends Model
{
    use BelongsToTeam;

    protected $table = 'bench_runs';

    protected $guarded = [];

    protected $attributes = ['state' => 'open'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'readers' => 'array',
            'said' => 'array',
            'celsius' => 'float',
            'depth_cm' => 'float',
            'lots' => 'array',
            'steps' => 'array',
            'started_ms' => 'integer',
            'finished_at' => 'datetime',
            'elapsed_s' => 'float',
            'attention_s' => 'float',
        ];
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return BelongsTo<MethodVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(MethodVersion::class, 'method_version_id');
    }

    /** @return BelongsTo<PenCalibration, $this> */
    public function calibration(): BelongsTo
    {
        return $this->belongsTo(PenCalibration::class, 'calibration_id');
    }

    /** @return HasMany<RunTube, $this> */
    public function tubes(): HasMany
    {
        return $this->hasMany(RunTube::class, 'run_id');
    }

    /** @return HasMany<RunMark, $this> */
    public function marks(): HasMany
    {
        return $this->hasMany(RunMark::class, 'run_id');
    }

    /** @return HasMany<ProbeCapture, $this> */
    public function captures(): HasMany
    {
        return $this->hasMany(ProbeCapture::class, 'run_id');
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'run_id');
    }

    /** The how-manieth of its team it is. */
    public function place(): int
    {
        return self::query()->where('id', '<=', $this->id)->count();
    }

    /** Its tube of this number, with what a probe in it needs; a 404 for any other. */
    public function tubeNumbered(int $number): RunTube
    {
        $this->load('version');

        return $this->tubes()->with('portion')->where('number', $number)->firstOrFail();
    }
}
