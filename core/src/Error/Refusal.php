<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** Base of the core's errors: an invalid argument with a stable code. */
abstract class Refusal extends \InvalidArgumentException implements CoreError
{
    /**
     * @param array<string, string|int|float> $facts what the sentence is made of: value, bounds, unit, place
     *
     * @pure
     */
    final public function __construct(
        string $message,
        ?\Throwable $previous = null,
        public readonly array $facts = [],
    ) {
        parent::__construct($message, 0, $previous);
    }

    public function forPeople(): string
    {
        return $this->getMessage();
    }
}
