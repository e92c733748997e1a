<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * A piece of a long write, in a transaction of its own. Between two pieces others have as much time as a piece took, so
 * that nobody waits for much longer than one.
 */
final class Piece
{
    private const MOST_US = 200_000;

    /**
     * @template T
     *
     * @param \Closure(): T $write
     * @return T
     */
    public static function of(\Closure $write): mixed
    {
        $began = hrtime(true);
        /** @var T $made */
        $made = DB::transaction($write);
        if (DB::transactionLevel() === 0) {
            usleep(min(self::MOST_US, intdiv((int) (hrtime(true) - $began), 1000)));
        }

        return $made;
    }
}
