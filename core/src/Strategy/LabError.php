<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

/**
 * What a result of the lab is off by.
 *
 * Quantity and unit: standard uncertainties in the analyte's unit: `analysis` of one result of the same composite, which
 *   is part of what it differs from a test; `sampling` of the composite, which lab and test share.
 * Domain: finite, 0 or more.
 */
final readonly class LabError
{
    public function __construct(public float $analysis, public float $sampling = 0.0) {}

    /** From the whole of it, sampling included, and the part that is the lab's own. */
    public static function ofWhole(float $whole, float $analysis): self
    {
        return new self(min($whole, $analysis), sqrt(max(0.0, $whole ** 2 - $analysis ** 2)));
    }

    /** Of one result against the ground. */
    public function whole(): float
    {
        return hypot($this->analysis, $this->sampling);
    }
}
