<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use HonestCore\Practice\ClaimTruth;

/** A signed verdict against what is true of the test. */
final readonly class VerdictOnGround
{
    public function __construct(public string $test, public string $claim, public string $verdict, public ClaimTruth $truth) {}

    public function holds(): bool
    {
        return $this->truth->holds[$this->claim] ?? false;
    }

    /** right, wrong, or open where neither was said */
    public function outcome(): string
    {
        return match ($this->verdict) {
            'stands' => $this->holds() ? 'right' : 'wrong',
            'falls' => $this->holds() ? 'wrong' : 'right',
            default => 'open',
        };
    }
}
