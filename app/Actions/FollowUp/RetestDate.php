<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

/** When an area is due for its next test, and why then. Days as Y-m-d; none where nothing was ever pulled. */
final readonly class RetestDate
{
    public function __construct(
        public int $areaId,
        public string $area,
        public ?string $lastPulled,
        public ?string $due,
        public string $state,
        public string $reason,
        public int $composites,
    ) {}
}
