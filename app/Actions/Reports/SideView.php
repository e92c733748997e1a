<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Page;
use App\Models\JudgingPolicy;
use App\Models\Sample;

/** All that was read of one analyte, composite by composite. */
final readonly class SideView
{
    /**
     * @param Page<Sample> $page
     * @param list<SideSeries> $series
     * @param list<SideRow> $rows of that page
     * @param list<SideLabs> $labs
     * @param array<int|string, string> $areas names by id, of the newest composites
     */
    public function __construct(
        public string $analyte,
        public Page $page,
        public ?JudgingPolicy $policy,
        public array $series,
        public array $rows,
        public array $labs,
        public array $areas,
    ) {}
}
