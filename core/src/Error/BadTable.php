<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A table as a whole cannot be read. */
final class BadTable extends Refusal
{
    /** @pure */
    public static function because(string $wrong, string $accepted): self
    {
        return new self(
            "{$wrong}; accepted is {$accepted}.",
            facts: ['wrong' => $wrong, 'accepted' => $accepted],
        );
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'bad_table';
    }
}
