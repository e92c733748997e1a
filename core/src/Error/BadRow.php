<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A row of a table cannot be used as given. */
final class BadRow extends Refusal
{
    /** @pure */
    public static function at(int|string $row, string $wrong, string $accepted): self
    {
        return new self(
            "row {$row}: {$wrong}; accepted is {$accepted}.",
            facts: ['place' => $row, 'wrong' => $wrong, 'accepted' => $accepted],
        );
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'bad_row';
    }
}
