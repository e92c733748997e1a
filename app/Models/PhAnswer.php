<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * An answer to what may have lifted the pH of an area. Written once; the newest to a question holds.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int $created_by
 * @property string $question
 * @property string $answer yes, no or unknown
 * @property string $note
 * @property \Illuminate\Support\Carbon $created_at
 */
final class PhAnswer extends Model
{
    use BelongsToTeam;

    public const UNKNOWN = 'unknown';

    protected $guarded = [];

    /** What was said to a question last; null where nobody has. */
    public static function newest(Area $area, string $question): ?string
    {
        return self::query()->where('area_id', $area->id)->where('question', $question)->latest('id')->first()?->answer;
    }

    public static function give(Area $area, User $by, string $question, string $answer, string $note): void
    {
        $before = self::newest($area, $question);
        self::record([
            'area_id' => $area->id, 'created_by' => $by->id, 'question' => $question, 'answer' => $answer, 'note' => $note,
        ]);
        RecordChange::note(
            'answer', $area, ['question' => $question, 'answer' => $before], ['question' => $question, 'answer' => $answer],
        );
    }
}
