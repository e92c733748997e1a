<?php

declare(strict_types=1);

namespace App\Actions\Today;

use Carbon\CarbonInterface;

/** Something that is due now: what kind, whether it is urgent, in words, since or until when, and where it is done. */
final readonly class Due
{
    public function __construct(
        public string $kind,
        public bool $urgent,
        public string $text,
        public string $detail,
        public string $site,
        public ?CarbonInterface $at,
        public string $to,
    ) {}
}
