<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A table as a whole cannot be read. */
final class BadTable extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_table';
    }
}
