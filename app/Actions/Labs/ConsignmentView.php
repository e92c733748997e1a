<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\Consignment;

/** A consignment with what is known beside it. */
final readonly class ConsignmentView
{
    /** @param array<string, int> $taken reports that were taken, by the hash of what was delivered */
    public function __construct(
        public Consignment $consignment,
        public array $taken,
        public string $enquiry,
        public bool $simulated,
    ) {}
}
