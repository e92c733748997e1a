<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** One composite as one lot of a test read it: whether it bears a claim out. */
final readonly class CoveragePair
{
    /** @param int $season year in which the composite was pulled */
    public function __construct(public string $lot, public int $season, public bool $holds) {}
}
