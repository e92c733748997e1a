<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * One line of a portion's trail. A line is never changed: one that was wrong is corrected by a later line that names
 * it.
 *
 * Quantity and unit: `at` in seconds since 1970, UTC, when it happened, not when it was written down; `celsius` in °C.
 */
final readonly class TrailLine
{
    public function __construct(
        public string $id,
        public string $step,
        public int $at,
        public string $place = '',
        public string $condition = '',
        public ?float $celsius = null,
        public ?string $correctsId = null,
    ) {}
}
