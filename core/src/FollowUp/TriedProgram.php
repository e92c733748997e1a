<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

/**
 * What a school had expected of one program, and what the ground did beside its control.
 *
 * Quantity and unit: changes in the analyte's unit; `se` the standard error of what was observed.
 */
final readonly class TriedProgram
{
    public function __construct(
        public int $program,
        public string $school,
        public float $expected,
        public float $observed,
        public ?float $se,
        public string $soil,
        public int $season,
    ) {}
}
