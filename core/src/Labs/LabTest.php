<?php

declare(strict_types=1);

namespace HonestCore\Labs;

use HonestCore\Quantity\DepthLayer;

/**
 * A test as a lab offers it.
 *
 * Quantity and unit: soil needed in millilitres, fee in hundredths of the lab's currency.
 * Domain: `depth` is the layer its calibration is for; null where any will do.
 */
final readonly class LabTest
{
    public function __construct(
        public string $code,
        public string $name,
        public int $needsMl,
        public int $feeCents,
        public ?DepthLayer $depth = null,
        public string $outside = '',
    ) {}
}
