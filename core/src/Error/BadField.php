<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A named field of a row is not there, or is of another kind. */
final class BadField extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_field';
    }
}
