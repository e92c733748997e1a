<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\StudentT;

/**
 * Where one more result of a ground is expected, with all that is not known of it: a t distribution.
 *
 * Quantity and unit: that of the series, or its logarithm; `scale` is the spread of the prediction.
 * Source: prediction from a normal sample whose spread is itself estimated, any textbook.
 */
final readonly class Prediction
{
    public function __construct(public float $mean, public float $scale, public float $df) {}

    /** How many spreads of the prediction a value lies off. */
    public function z(float $scaled): float
    {
        return ($scaled - $this->mean) / $this->scale;
    }

    /** Does it lie further off than chance would put it, on either side together? */
    public function isBeyond(float $scaled, float $chance): bool
    {
        return StudentT::twoSided(abs($this->z($scaled)), $this->df) < $chance;
    }

    /** Minus twice the logarithm of its likelihood, up to what is the same for every value of a series. */
    public function surprise(float $scaled): float
    {
        return 2 * log($this->scale) + ($this->df + 1) * log(1 + $this->z($scaled) ** 2 / $this->df);
    }
}
