<?php

declare(strict_types=1);

namespace App\Exceptions;

/**
 * An act that failed. It carries the code of what failed and its facts; the words stand in a catalogue and are made
 * where a person reads them.
 */
abstract class Worded extends \RuntimeException
{
    /** @param array<string, string|int|float> $facts by the name that the words call them */
    final private function __construct(public readonly string $reason, public readonly array $facts)
    {
        parent::__construct($reason);
    }

    public static function because(string $reason, string|int|float ...$facts): static
    {
        /** @var array<string, string|int|float> $facts */
        return new static($reason, $facts);
    }

    /** The sentence of the catalogue. */
    public function words(): string
    {
        $words = __($this->catalogue().".{$this->reason}", $this->facts);

        return is_string($words) ? $words : throw new \LogicException("The catalogue has no words for {$this->reason}.");
    }

    /** The file of lang/ that holds the words. */
    abstract protected function catalogue(): string;
}
