<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Labs\HttpLabSimulator;
use App\Actions\Labs\LabSimulator;
use App\Models\PracticeField;

/** The simulated lab of a demo knows nothing of practice ground, which has a lab of its own. */
final class SimulatorOfTeam implements LabSimulator
{
    public function __construct(private readonly HttpLabSimulator $real) {}

    public function isThere(): bool
    {
        return $this->real->isThere() && PracticeField::here() === null;
    }

    public function fill(string $reference, array $soils): void
    {
        $this->real->fill($reference, $soils);
    }

    public function order(array $order): string
    {
        return $this->real->order($order);
    }
}
