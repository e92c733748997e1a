<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\JudgingPolicy;

/** All that was read of one analyte, composite by composite. */
final readonly class SideView
{
    /**
     * @param list<SideSeries> $series
     * @param list<SideRow> $rows
     * @param list<SideLabs> $labs
     */
    public function __construct(
        public string $analyte,
        public int $total,
        public bool $hasMore,
        public ?JudgingPolicy $policy,
        public array $series,
        public array $rows,
        public array $labs,
    ) {}
}
