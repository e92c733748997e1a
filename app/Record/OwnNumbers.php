<?php

declare(strict_types=1);

namespace App\Record;

use App\Database\Values;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * The numbers that a team's record was made with. A team that came from another database has rows under numbers that
 * were free here: all of them lie above their own by the same count, so that what was sealed there holds here.
 */
final class OwnNumbers
{
    /** Columns of sealed rows that number a row of the team. */
    private const COLUMNS = [
        'portion_id', 'created_by', 'sample_id', 'method_id', 'report_id', 'corrects_id', 'method_version_id', 'run_id',
        'question_id', 'result_id', 'superseded_by', 'reference_id', 'policy_id', 'signed_by', 'follows_id', 'area_id', 'program_id',
        'takes_back_id',
    ];

    /** @return int by how much a team's numbers lie above its own; nothing in a database of before that could be */
    public static function from(int $team): int
    {
        return Values::whole(DB::table('teams')->find($team)->numbers_from ?? 0);
    }

    /** Of the team that is signed in: it does not change. */
    public static function ofThisTeam(): int
    {
        return User::signedIn()->team->numbers_from ?? 0;
    }

    public static function is(string $column): bool
    {
        return in_array($column, self::COLUMNS, true);
    }
}
