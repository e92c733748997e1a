<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Portion;
use App\Models\Sample;

/** A portion at hand, and the methods that have read it. */
final readonly class BenchPortion
{
    /** @param list<int> $readBy ids of methods */
    public function __construct(public Portion $portion, public Sample $sample, public array $readBy) {}
}
