<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** What the database knows of how its tables are filled: without it, it guesses which index to go by, and guesses wrong. */
final class Statistics
{
    /** The first rows alone are those of the first teams, and a large one among twenty small ones would pass for small too. */
    private const ALL_OF_IT = 'PRAGMA analysis_limit = 0';

    /** Of every table: some seconds for a gigabyte. */
    public static function anew(): void
    {
        DB::statement(self::ALL_OF_IT);
        DB::statement('ANALYZE');
    }

    /** Of tables that have grown manifold since. */
    public static function kept(): void
    {
        DB::statement(self::ALL_OF_IT);
        DB::statement('PRAGMA optimize');
    }
}
