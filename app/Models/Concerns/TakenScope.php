<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Scope;
use Illuminate\Database\Query\Builder as Query;

/**
 * A report is taken in pieces: nobody sees it, or a row of it, before it is whole, but whoever is taking it.
 */
final class TakenScope implements Scope
{
    private static int $admitted = 0;

    /** @param string $column that names the report */
    public function __construct(private readonly string $column) {}

    public function apply(Builder $builder, Model $model): void
    {
        self::narrow($builder->getQuery(), $model->qualifyColumn($this->column));
    }

    /** Leaves out what is of a report that is still being taken. */
    public static function narrow(Query $query, string $column): Query
    {
        // One condition that no index is led by, against the few that are in hand, which have an index of their own.
        return $query->whereRaw(
            "COALESCE({$column}, 0) NOT IN (SELECT in_hand.id FROM lab_reports in_hand WHERE in_hand.state <> 'taken' AND in_hand.id <> ?)",
            [self::$admitted],
        );
    }

    /**
     * @template T
     *
     * @param \Closure(): T $look which sees this report too
     * @return T
     */
    public static function admitting(int $report, \Closure $look): mixed
    {
        $before = self::$admitted;
        self::$admitted = $report;
        try {
            return $look();
        } finally {
            self::$admitted = $before;
        }
    }
}
