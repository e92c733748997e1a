<?php

declare(strict_types=1);

namespace App\Exceptions;

/** A file with rows that cannot be taken: nothing of it is stored, and every such row is named. */
final class RefusedRows extends \RuntimeException
{
    /** @param non-empty-list<array{row: int, field: string, message: string}> $rows */
    public function __construct(public readonly array $rows)
    {
        $count = count($rows);
        parent::__construct('Nothing of the file was stored: '.($count === 1 ? '1 cell' : "{$count} cells").' cannot be used.');
    }
}
