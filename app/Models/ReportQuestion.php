<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\TakenScope;
use HonestCore\Reports\QuestionKind;
use Illuminate\Database\Eloquent\Model;

/**
 * Something about a report that a person should look at, and what they said.
 *
 * @property int $id
 * @property int $team_id
 * @property int $report_id
 * @property QuestionKind $kind
 * @property string $words
 * @property list<int> $result_ids
 * @property string|null $answer
 * @property string $note
 * @property int|null $answered_by
 * @property \Illuminate\Support\Carbon|null $answered_at
 */
final class ReportQuestion extends Model
{
    use BelongsToTeam;

    protected $table = 'report_questions';

    protected $guarded = [];

    protected static function booted(): void
    {
        self::addGlobalScope(new TakenScope('report_id'));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result_ids' => 'array', 'answered_at' => 'datetime', 'kind' => QuestionKind::class];
    }
}
