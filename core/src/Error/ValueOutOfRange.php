<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A number lies outside the domain of what was asked. */
final class ValueOutOfRange extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'value_out_of_range';
    }
}
