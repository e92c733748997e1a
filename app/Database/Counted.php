<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** How many rows there are, counted no further than anybody would turn pages. */
final readonly class Counted
{
    public const MOST = 10_000;

    /** @param bool $isAll false where there are more than so many */
    private function __construct(public int $rows, public bool $isAll) {}

    /** @param Builder<covariant Model> $query */
    public static function of(Builder $query, int $most = self::MOST): self
    {
        $some = $query->clone()->toBase();
        $some->reorder()->select($query->getModel()->getQualifiedKeyName())->limit($most + 1);
        $found = DB::query()->fromSub($some, 'some')->count();

        return new self(min($found, $most), $found <= $most);
    }

    /** Are there so many that they are soonest found by looking from the newest on? */
    public function areMany(): bool
    {
        return $this->rows > self::MOST / 10;
    }
}
