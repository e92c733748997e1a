<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

/**
 * What the evidence of a test said when it was last computed, and whether nothing was touched since.
 *
 * @phpstan-import-type Summary from Summaries
 */
final readonly class KeptSummary
{
    /** @param Summary $summary */
    public function __construct(public array $summary, public string $state, public bool $isOfNow) {}
}
