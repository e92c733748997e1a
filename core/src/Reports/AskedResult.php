<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/**
 * A number of a report that is asked about.
 *
 * Quantity and unit: the value in the home unit of its analyte; `method` is the caller's own key of the series.
 */
final readonly class AskedResult
{
    public function __construct(public string $analyte, public float $value, public int $method = 0) {}
}
