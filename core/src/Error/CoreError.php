<?php

declare(strict_types=1);

namespace HonestCore\Error;

/**
 * Any refusal of the core: a sentence that names the place, the fault and what is accepted,
 * with stable codes that callers may branch on.
 */
interface CoreError extends \Throwable
{
    /**
     * The kind of what was refused: a row, a table, a number, a step.
     *
     * @pure
     */
    public function errorCode(): string;

    /** What was wrong with it, by the code under which its words stand in the catalogue. */
    public function reason(): string;

    /** The sentence for somebody at a page, who knows no options of a command. */
    public function forPeople(): string;
}
