<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * What the evidence of a test said the last time it was computed, kept so that lists need not compute it again.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property int $reference_id
 * @property string $state
 * @property array{pairs: int, left_out: int, hash: string, older: string, records: string, verdicts: array{sort: string,
 *     rate: string, track: string}} $summary
 */
final class EvidenceSummary extends Model
{
    use BelongsToTeam;

    protected $table = 'evidence_summaries';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['summary' => 'array'];
    }
}
