<?php

declare(strict_types=1);

namespace App\Actions\Practice;

/** A composite of a practice ground against its ground, all of it pH: of the area, of its planned places, in the bucket, and as read. */
final readonly class CompositeOnGround
{
    public function __construct(
        public string $code,
        public string $area,
        public string $depth,
        public int $cores,
        public int $short,
        public ?float $ofArea,
        public ?float $meant,
        public ?float $holds,
        public ?float $lab,
        public ?float $kit,
    ) {}
}
