<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** The definition of a method says what it must not, or lacks what it must say. */
final class BadDefinition extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_definition';
    }
}
