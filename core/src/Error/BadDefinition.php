<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** The definition of a method says what it must not, or lacks what it must say. */
final class BadDefinition extends Refusal
{
    /** @pure */
    public static function at(string $place, string $problem, string $accepted): self
    {
        return new self(
            "{$place}: {$problem}; accepted is {$accepted}.",
            facts: ['place' => $place, 'wrong' => $problem, 'accepted' => $accepted],
        );
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'bad_definition';
    }
}
