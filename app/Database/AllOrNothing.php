<?php

declare(strict_types=1);

namespace App\Database;

use App\Record\Seal;
use Illuminate\Support\Facades\DB;

/** What is written together is written whole, or not at all, and what of it is evidence gets its links in the chain. */
final class AllOrNothing
{
    /** Whether a write is on its way that will seal all of its rows at its end. */
    private static bool $sealing = false;

    /**
     * @template T
     *
     * @param \Closure(): T $write
     * @return T
     */
    public static function of(\Closure $write): mixed
    {
        /** @var T $made */
        $made = DB::transaction(static fn (): mixed => self::$sealing ? $write() : self::sealed($write));

        return $made;
    }

    /** Whether what is written now gets its links at the end of a write that is on its way. */
    public static function isSealing(): bool
    {
        return self::$sealing;
    }

    private static function sealed(\Closure $write): mixed
    {
        self::$sealing = true;
        try {
            $seal = Seal::open();
            $made = $write();
            $seal->close();

            return $made;
        } finally {
            self::$sealing = false;
        }
    }
}
