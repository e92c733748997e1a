<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Agreement\ActionLimits;

/**
 * What the evidence knows of one composite: what the lab found, to which action the test sent it, whether the test
 * itself was too close to a limit to say, and the test's figure.
 *
 * Quantity and unit: reference and test in the analyte's unit; classes numbered from 0; a class of null is a test that
 * cannot sort, a figure of null one that gives none, as an open band.
 */
final readonly class Witness
{
    public function __construct(
        public float $reference,
        public ?int $testClass,
        public bool $testIsClose,
        public ActionLimits $limits,
        public ?float $test = null,
    ) {}
}
