<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Run;
use App\Models\VisionRecord;

/** All that the bench of a site has: runs, methods, soil and readers. */
final readonly class BenchView
{
    /**
     * @param list<Run> $open
     * @param list<Run> $closed
     * @param list<BenchMethod> $methods
     * @param list<BenchPortion> $portions the newest first
     * @param array<string, VisionRecord|null> $readers the check of their colour vision that holds, by name
     */
    public function __construct(
        public array $open,
        public array $closed,
        public array $methods,
        public array $portions,
        public array $readers,
        public bool $device,
        public bool $simulated,
    ) {}
}
