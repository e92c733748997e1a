<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A text that should be a finite number is none. */
final class NotANumber extends Refusal
{
    /** @pure */
    public static function in(string $place, string $given): self
    {
        $shown = $given === '' ? "an empty cell" : "\"{$given}\'';

        return new self("{$place}: {$shown} is not a number; accepted is a finite decimal number such as 6.25.");
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'not_a_number';
    }
}
