<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * Some of many rows, as pages are turned. A page past the last is the last.
 *
 * @template T of Model
 */
final readonly class Page
{
    /** What a request may ask for. */
    public const ASKED = ['sometimes', 'integer', 'min:1', 'max:1000000'];

    /** @param Collection<int, T> $rows */
    private function __construct(public Counted $found, public int $number, public int $size, public Collection $rows) {}

    /**
     * @template R of Model
     *
     * @param Builder<R> $query in its order
     * @return self<R>
     */
    public static function of(Builder $query, int $number, int $size): self
    {
        return self::counted(Counted::of($query), $query, $number, $size);
    }

    /**
     * @template R of Model
     *
     * @param Builder<R> $query in its order
     * @return self<R>
     */
    public static function counted(Counted $found, Builder $query, int $number, int $size): self
    {
        $number = max(1, min($number, self::pages($found, $size)));

        $query->forPage($number, $size);

        return new self($found, $number, $size, $query->get());
    }

    /**
     * @template Row
     *
     * @param callable(T): Row $row
     * @return array{total: int, more: bool, page: int, pages: int, rows: list<Row>}
     */
    public function told(callable $row): array
    {
        return [...$this->turner(), 'rows' => array_map($row, array_values($this->rows->all()))];
    }

    /** @return array{total: int, more: bool, page: int, pages: int} */
    public function turner(): array
    {
        return [
            'total' => $this->found->rows,
            'more' => ! $this->found->isAll,
            'page' => $this->number,
            'pages' => self::pages($this->found, $this->size),
        ];
    }

    private static function pages(Counted $found, int $size): int
    {
        return max(1, (int) ceil($found->rows / $size));
    }
}
