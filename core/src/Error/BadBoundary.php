<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A boundary or exclusion is no ground that can be sampled. */
final class BadBoundary extends Refusal
{
    /** @pure */
    public static function because(string $place, string $wrong, string $accepted): self
    {
        return new self(
            "{$place}: {$wrong}; accepted is {$accepted}.",
            facts: ['place' => $place, 'wrong' => $wrong, 'accepted' => $accepted],
        );
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'bad_boundary';
    }
}
