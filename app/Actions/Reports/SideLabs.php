<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use HonestCore\Agreement\LabsApart;

/** Two labs that measure the same in the same way, beside each other. */
final readonly class SideLabs
{
    public function __construct(public string $one, public string $other, public LabsApart $apart) {}
}
