<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use HonestCore\FollowUp\ResultScatter;
use HonestCore\FollowUp\SeriesPoint;

/** A round of a series, with how its results scatter and the cores of its composites. */
final readonly class PulledRound
{
    public function __construct(public SeriesPoint $point, public ?ResultScatter $scatter, public int $cores) {}

    public function daysFrom(self $other): int
    {
        return (int) (new \DateTimeImmutable($this->point->on))->diff(new \DateTimeImmutable($other->point->on))->days;
    }
}
