<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A boundary or exclusion is no ground that can be sampled. */
final class BadBoundary extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_boundary';
    }
}
