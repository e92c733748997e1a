<?php

declare(strict_types=1);

namespace HonestCore\Error;

/**
 * Any refusal of the core: a sentence that names the place, the fault and what is accepted,
 * with a stable code that callers may branch on.
 */
interface CoreError extends \Throwable
{
    /** @pure */
    public function errorCode(): string;

    /** The sentence for somebody at a page, who knows no options of a command. */
    public function forPeople(): string;
}
