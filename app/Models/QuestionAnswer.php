<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * What a person said to a question about a report: written once. The newest stands in the question itself, for queries.
 *
 * @property int $id
 * @property int $team_id
 * @property int $question_id
 * @property string $answer
 * @property string $note
 * @property int $created_by
 */
final class QuestionAnswer extends Model
{
    use BelongsToTeam;

    protected $guarded = [];
}
