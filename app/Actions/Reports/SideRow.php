<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Sample;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\SideMark;

/** A composite with all that was read of one analyte in it. */
final readonly class SideRow
{
    /** @param list<SideReading> $readings */
    public function __construct(public Sample $sample, public ?ActionLimits $limits, public array $readings) {}

    /** What all that counts says together. */
    public function state(): string
    {
        $heard = array_filter($this->readings, static fn (SideReading $one): bool => $one->counts());

        return SideMark::together(
            array_values(array_map(static fn (SideReading $one): SideMark => $one->mark, $heard)),
            $this->limits !== null,
        );
    }
}
