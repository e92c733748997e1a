<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/**
 * One reading of a test beside what a lab found of the same sample, as an old record has it.
 *
 * Quantity and unit: `reference` and `value` in the analyte's home unit; a band by its name; `on` a day as Y-m-d, null where
 * only the year is known.
 */
final readonly class RecordRow
{
    public function __construct(
        public int $row,
        public string $sample,
        public float $reference,
        public string $referenceSaid,
        public ?float $value,
        public ?string $band,
        public string $said,
        public int $year,
        public ?string $on,
        public string $lot,
        public string $reader,
    ) {}
}
