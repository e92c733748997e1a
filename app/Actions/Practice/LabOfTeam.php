<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Labs\HttpLabInterface;
use App\Actions\Labs\LabAnswer;
use App\Actions\Labs\LabInterface;
use App\Models\PracticeField;

/** The lab that a team's consignments go to: on practice ground one that knows it, in earnest the one with an address. */
final class LabOfTeam implements LabInterface
{
    public function __construct(private readonly HttpLabInterface $real, private readonly PracticeLaboratory $practice) {}

    public function isThere(): bool
    {
        return $this->ofTeam()->isThere();
    }

    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string
    {
        return $this->ofTeam()->announce($reference, $transitDays, $turnaroundDays, $portions);
    }

    public function ask(string $id): LabAnswer
    {
        return $this->ofTeam()->ask($id);
    }

    public function report(string $id, string $name): string
    {
        return $this->ofTeam()->report($id, $name);
    }

    public function recheck(string $id, array $codes, string $why): string
    {
        return $this->ofTeam()->recheck($id, $codes, $why);
    }

    private function ofTeam(): LabInterface
    {
        return PracticeField::here() === null ? $this->real : $this->practice;
    }
}
