<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\ManyRows;
use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * That a result was superseded by a report, or left out and why: written once. The result itself says the same, for
 * queries.
 *
 * @property int $id
 * @property int $team_id
 * @property int $result_id
 * @property int|null $superseded_by
 * @property string $excluded
 * @property int $created_by
 */
final class ResultMark extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /**
     * Marks results as left out, and says so in them.
     *
     * @param Collection<int, LabResult> $results
     */
    public static function leaveOut(Collection $results, User $author, string $why): void
    {
        $now = now()->format('Y-m-d H:i:s');
        ManyRows::insert(
            'result_marks',
            array_values(
                $results
                    ->map(
                        static fn (LabResult $one): array => [
                            'team_id' => $one->team_id,
                            'result_id' => $one->id,
                            'excluded' => $why,
                            'created_by' => $author->id,
                            'created_at' => $now,
                            'updated_at' => $now,
                        ],
                    )
                    ->all(),
            ),
        );
        LabResult::query()->whereKey($results->modelKeys())->update(['excluded' => $why]);
    }
}
