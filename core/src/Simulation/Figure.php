<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

/** A mean over simulated fields with its standard error, in one unit. */
final readonly class Figure
{
    private function __construct(public float $mean, public float $error) {}

    /** @param float $squares sum of the squares of n values whose sum is given */
    public static function of(float $sum, float $squares, int $n): self
    {
        return new self($sum / $n, $n < 2 ? 0.0 : sqrt(max(0.0, $squares - ($sum * $sum) / $n) / ($n - 1) / $n));
    }

    /** @return array{float, float} */
    public function toArray(): array
    {
        return [$this->mean, $this->error];
    }
}
