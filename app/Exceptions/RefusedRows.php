<?php

declare(strict_types=1);

namespace App\Exceptions;

/** Rows that cannot be taken, of a file or a list: nothing of it is stored, and every such row is named. */
final class RefusedRows extends \RuntimeException
{
    /** @param non-empty-list<array{row: int, field: string, message: string}> $rows */
    public function __construct(public readonly array $rows, ?string $message = null)
    {
        $count = count($rows);
        parent::__construct(
            $message ??
                'Nothing of the file was stored: '.($count === 1 ? '1 cell' : "{$count} cells").' cannot be used.',
        );
    }
}
