<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * What one phone noted of one core.
 *
 * Quantity and unit: cores and entries are counted from 1; `ordinal` is the phone's own count, which its clock cannot
 * disturb.
 * Domain: outcomes of PullOutcome; `settles` names entries that a person has weighed and this one replaces.
 */
final readonly class PullEntry
{
    /** @param list<string> $settles ids of entries */
    public function __construct(
        public string $id,
        public string $device,
        public int $ordinal,
        public int $core,
        public Outcome $outcome,
        public array $settles = [],
    ) {}
}
