<?php

declare(strict_types=1);

namespace App\Actions\Today;

/** Something that a search found, and where it is. */
final readonly class Found
{
    public function __construct(
        public string $kind,
        public string $label,
        public string $detail,
        public string $to,
    ) {}
}
