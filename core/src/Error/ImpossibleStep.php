<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A step that a portion cannot take from where it is, or not at that time. */
final class ImpossibleStep extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'impossible_step';
    }
}
