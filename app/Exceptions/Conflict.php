<?php

declare(strict_types=1);

namespace App\Exceptions;

/**
 * The request was sound, but what it was based on has changed or is closed. It carries the code of the act that failed
 * and its facts; the words stand in the catalogue and are made where a person reads them.
 */
final class Conflict extends \RuntimeException
{
    /** @param array<string, string|int> $facts by the name that the words call them */
    private function __construct(public readonly string $reason, public readonly array $facts)
    {
        parent::__construct($reason);
    }

    public static function because(string $reason, string|int ...$facts): self
    {
        /** @var array<string, string|int> $facts */
        return new self($reason, $facts);
    }

    /** The sentence of the catalogue. */
    public function words(): string
    {
        $words = __("conflicts.{$this->reason}", $this->facts);

        return is_string($words) ? $words : throw new \LogicException("The catalogue has no words for {$this->reason}.");
    }
}
