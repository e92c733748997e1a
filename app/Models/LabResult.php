<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TakenScope;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One result of a lab as it was reported, of any portion: hidden duplicates and check soils too.
 *
 * @property int $id
 * @property int $team_id
 * @property int $report_id
 * @property int $portion_id
 * @property int $method_id
 * @property int|null $reading_id
 * @property int|null $superseded_by
 * @property int $row
 * @property string $kind
 * @property float|null $value
 * @property float|null $upper
 * @property string $as_reported
 * @property string $unit
 * @property string $form
 * @property string $lab_number
 * @property string $excluded
 * @property-read Portion $portion
 * @property-read LabReport $report
 * @property-read TestMethod $method
 */
final class LabResult extends Model
{
    use BelongsToTeam;

    protected $table = 'lab_results';

    protected $guarded = [];

    protected static function booted(): void
    {
        self::addGlobalScope(new TakenScope('report_id'));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['value' => 'float', 'upper' => 'float'];
    }

    /** @return BelongsTo<Portion, $this> */
    public function portion(): BelongsTo
    {
        return $this->belongsTo(Portion::class);
    }

    /** @return BelongsTo<LabReport, $this> */
    public function report(): BelongsTo
    {
        return $this->belongsTo(LabReport::class);
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }
}
