<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Agreement\ActionLimits;

/**
 * What the evidence knows of one composite: what the lab found, to which action the test sent it, and whether the
 * test itself was too close to a limit to say.
 *
 * Quantity and unit: the reference in the analyte's unit; classes numbered from 0; a class of null is a test that
 * cannot sort.
 */
final readonly class Witness
{
    public function __construct(
        public float $reference,
        public ?int $testClass,
        public bool $testIsClose,
        public ActionLimits $limits,
    ) {}
}
