<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\TestMethod;
use HonestCore\Variance\SamplingFigures;

/** What duplicates told of a lab, and how many of the pairs are too close to call by it; none where nothing is known. */
final readonly class SamplingOfLab
{
    public function __construct(public TestMethod $lab, public SamplingFigures $figures, public ?int $close) {}
}
