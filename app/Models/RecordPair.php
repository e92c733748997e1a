<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Reports\RecordRow;
use Illuminate\Database\Eloquent\Model;

/**
 * One reading of a test beside a lab's value, as an old record has it.
 *
 * @property int $id
 * @property int $team_id
 * @property int $set_id
 * @property int $row
 * @property string $sample
 * @property float $reference
 * @property string $reference_said
 * @property float|null $value
 * @property string|null $band
 * @property string $as_reported
 * @property int $year
 * @property \Illuminate\Support\Carbon|null $read_on
 * @property string $lot
 * @property string $reader
 */
final class RecordPair extends Model
{
    use BelongsToTeam;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['reference' => 'float', 'value' => 'float', 'read_on' => 'date'];
    }

    /** @return array<string, string|int|float|null> */
    public static function ofRow(RecordRow $row, RecordSet $set): array
    {
        return [
            'team_id' => $set->team_id,
            'set_id' => $set->id,
            'row' => $row->row,
            'sample' => mb_substr($row->sample, 0, 120),
            'reference' => $row->reference,
            'reference_said' => mb_substr($row->referenceSaid, 0, 60),
            'value' => $row->value,
            'band' => $row->band,
            'as_reported' => mb_substr($row->said, 0, 60),
            'year' => $row->year,
            'read_on' => $row->on,
            'lot' => $row->lot,
            'reader' => $row->reader,
        ];
    }
}
