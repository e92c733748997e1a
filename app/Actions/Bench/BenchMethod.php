<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\MethodVersion;
use App\Models\TestMethod;

/** A method of the bench with what its finished runs really cost. */
final readonly class BenchMethod
{
    public function __construct(
        public TestMethod $method,
        public MethodVersion $version,
        public int $runs,
        public int $readings,
        public float $cents,
        public float $attentionS,
    ) {}
}
