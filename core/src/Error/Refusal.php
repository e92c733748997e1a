<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** Base of the core's errors: an invalid argument with its kind, the code of what failed, and the facts of it. */
abstract class Refusal extends \InvalidArgumentException implements CoreError
{
    /**
     * @param string $reason what failed, as the catalogue of words calls it
     * @param array<string, string|int|float|null> $facts place, value, bounds, unit, by the names that the words use
     */
    final public function __construct(
        public readonly string $reason,
        public readonly array $facts = [],
        ?\Throwable $previous = null,
    ) {
        parent::__construct(RefusalWords::of($this->errorCode(), $reason, $facts), 0, $previous);
    }

    public function reason(): string
    {
        return $this->reason;
    }

    public function forPeople(): string
    {
        return $this->getMessage();
    }
}
