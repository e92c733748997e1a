<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Reading;
use App\Models\SignedVerdict;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Amounts\TestedValue;
use HonestCore\Program\Heard;

/** What is heard of an analyte, with the reading and the verdict behind it. */
final class HeardReading
{
    public readonly ?TestedValue $tested;

    public readonly ?KitDirection $kit;

    public function __construct(
        public readonly Heard $heard,
        public readonly ?Reading $reading,
        public readonly ?SignedVerdict $verdict,
    ) {
        $this->tested = $heard->tested;
        $this->kit = $heard->kit;
    }
}
