<?php

declare(strict_types=1);

namespace HonestCore\Labs;

use HonestCore\Quantity\DepthLayer;

/**
 * A portion that is to go into a consignment, with the tests asked of it.
 *
 * Quantity and unit: volume in millilitres, null where it was not measured; deadline in seconds since 1970, UTC.
 */
final readonly class ConsignmentPortion
{
    /** @param list<LabTest> $tests */
    public function __construct(
        public string $code,
        public string $state,
        public ?DepthLayer $depth,
        public ?int $volumeMl,
        public array $tests,
        public ?int $deadline = null,
        public bool $over = false,
    ) {}

    public function needsMl(): int
    {
        return array_sum(array_map(static fn (LabTest $test): int => $test->needsMl, $this->tests));
    }

    public function feeCents(): int
    {
        return array_sum(array_map(static fn (LabTest $test): int => $test->feeCents, $this->tests));
    }
}
