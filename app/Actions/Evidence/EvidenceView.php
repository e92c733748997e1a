<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Actions\Verdicts\ShownVerdict;
use App\Models\TestMethod;

/** Evidence with all that is looked at beside it. */
final readonly class EvidenceView
{
    /**
     * @param array<string, ShownVerdict> $signed that stand, by claim
     * @param array<string, mixed> $needs what would settle the claim
     * @param list<TestMethod> $references that the test can be held against
     * @param list<string> $readers who read it
     */
    public function __construct(
        public Evidence $evidence,
        public array $signed,
        public array $needs,
        public SamplingOfLab $sampling,
        public array $references,
        public array $readers,
    ) {}
}
