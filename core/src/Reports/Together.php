<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\Spread;

/**
 * Numbers of one ground in one report, as their count, mean and sum of squared deviations.
 *
 * Quantity and unit: those of the numbers.
 */
final readonly class Together
{
    private function __construct(public int $n, public float $mean, public float $squares) {}

    /** @param list<float> $values */
    public static function of(array $values): self
    {
        return $values === [] ? self::none() : new self(count($values), Spread::mean($values), Spread::sumOfSquares($values));
    }

    public static function none(): self
    {
        return new self(0, 0.0, 0.0);
    }

    /** The rest of them. */
    public function without(float $value): self
    {
        return $this->n < 2
            ? self::none()
            : new self(
                $this->n - 1,
                ($this->n * $this->mean - $value) / ($this->n - 1),
                max(0.0, $this->squares - (($value - $this->mean) ** 2 * $this->n) / ($this->n - 1)),
            );
    }
}
