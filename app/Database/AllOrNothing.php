<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** What is written together is written whole, or not at all. */
final class AllOrNothing
{
    /**
     * @template T
     *
     * @param \Closure(): T $write
     * @return T
     */
    public static function of(\Closure $write): mixed
    {
        /** @var T $made */
        $made = DB::transaction($write);

        return $made;
    }
}
