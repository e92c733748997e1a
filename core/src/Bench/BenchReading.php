<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/**
 * What was read off one tube: a number, a band, a colour between two neighbouring bands, or a count of drops and its
 * band.
 *
 * Quantity and unit: number in the unit of the method; heights in millimetres.
 */
final readonly class BenchReading
{
    private function __construct(
        public ?float $number,
        public ?string $band,
        public ?string $between,
        public ?int $drops,
        private string $typed = '',
    ) {}

    /** @param string $typed as it was written, with its digits */
    public static function number(float $number, string $typed): self
    {
        return new self($number, null, null, null, $typed);
    }

    public static function band(string $band): self
    {
        return new self(null, $band, null, null);
    }

    /** Lower band first. */
    public static function between(string $lower, string $upper): self
    {
        return new self(null, $lower, $upper, null);
    }

    public static function drops(int $drops, string $band): self
    {
        return new self(null, $band, null, $drops);
    }

    public function words(): string
    {
        return match (true) {
            $this->drops !== null => "{$this->drops} drops, {$this->band}",
            $this->between !== null => "between {$this->band} and {$this->between}",
            $this->band !== null => $this->band,
            default => $this->typed,
        };
    }
}
