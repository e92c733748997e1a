<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Exceptions\Conflict;
use HonestCore\Labs\SimulatedSoil;

/** The orders that a simulated lab takes beside what it has in common with real ones. */
interface LabSimulator
{
    /** Is the lab's interface a simulated one? */
    public function isThere(): bool;

    /**
     * Tells it, before a consignment is announced, what is in the bags.
     *
     * @param array<string, SimulatedSoil> $soils by the code of the portion
     *
     * @throws Conflict
     */
    public function fill(string $reference, array $soils): void;

    /**
     * Moves its days on, or orders a trouble, a slip or the shape of the next report.
     *
     * @param array{advance_days?: int, trouble?: string, slip?: string, told?: bool, shape?: string} $order
     *
     * @throws Conflict
     */
    public function order(array $order): string;
}
