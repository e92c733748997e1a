<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A row of a table cannot be used as given. */
final class BadRow extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_row';
    }
}
