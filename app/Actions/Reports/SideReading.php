<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use HonestCore\Agreement\SideMark;

/** A mark of a series on a day, and why it is left out where it is. */
final readonly class SideReading
{
    /** @param list<string> $leftOut in words */
    public function __construct(
        public int $methodId,
        public string $readOn,
        public array $leftOut,
        public SideMark $mark,
    ) {}

    public function counts(): bool
    {
        return $this->leftOut === [];
    }
}
