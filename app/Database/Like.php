<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Builder;

/** Rows in whose column some words stand, signs that SQL would read as any sign among them. */
final readonly class Like
{
    /** @return \Closure(Builder<covariant \Illuminate\Database\Eloquent\Model>): void */
    public static function in(string $column, string $words): \Closure
    {
        $like = self::pattern($words);

        return static function (Builder $query) use ($column, $like): void {
            $query->whereRaw("{$column} LIKE ? ESCAPE '\\'", [$like]);
        };
    }

    public static function pattern(string $words): string
    {
        return '%'.addcslashes(trim($words), '%_\\').'%';
    }
}
