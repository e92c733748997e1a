<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\TestMethod;
use HonestCore\Reports\SeriesUncertainty;

/** One series of readings: a method, how uncertain it is, and whether the limits of its analyte hold for it. */
final readonly class SideSeries
{
    public function __construct(
        public TestMethod $method,
        public SeriesUncertainty $uncertainty,
        public bool $limitsHold,
    ) {}
}
