<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/**
 * A sample of a report beside the earlier results of its ground.
 *
 * Quantity and unit: values in the home unit of each analyte, by series; `ground` names the area it came from.
 */
final readonly class BatchSample
{
    /**
     * @param array<string, float> $values by series, as "p, mehlich-3"
     * @param array<string, SeriesHistory> $histories of the same series
     */
    public function __construct(
        public string $code,
        public string $ground,
        public array $values,
        public array $histories,
    ) {}

    /** The value on the scale that its history is kept on. */
    public function scaled(string $series): float
    {
        return $this->histories[$series]->scaled($this->values[$series]);
    }
}
