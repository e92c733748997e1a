<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Writing that can be left for the next time: it waits a moment for its turn and does without it. */
final class Patience
{
    private const A_MOMENT_MS = 200;

    /** @param \Closure(): mixed $write */
    public static function short(\Closure $write): bool
    {
        $patience = DB::scalar('PRAGMA busy_timeout');
        DB::statement('PRAGMA busy_timeout = '.self::A_MOMENT_MS);
        try {
            $write();

            return true;
        } catch (QueryException $error) {
            if (! str_contains($error->getMessage(), 'locked')) {
                throw $error;
            }

            return false;
        } finally {
            DB::statement('PRAGMA busy_timeout = '.(is_numeric($patience) ? (int) $patience : 30_000));
        }
    }
}
