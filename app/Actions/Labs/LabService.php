<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Exceptions\Conflict;

/** A courier's or a lab's own interface. */
interface LabService
{
    public function isThere(): bool;

    /** Is what it says made up? */
    public function isSimulated(): bool;

    /**
     * Announces a consignment, once however often it is announced.
     *
     * @param list<array{code: string, tests: list<string>, simulated_soil: array{token: string, ground: string,
     *     ph: float|null}}> $portions
     * @return string what the service calls it
     *
     * @throws Conflict when it does not answer or refuses
     */
    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string;

    /**
     * @return array{state: string, word: string, day: string, reports: list<string>}
     *
     * @throws Conflict
     */
    public function ask(string $id): array;

    /** @throws Conflict */
    public function report(string $id, string $name): string;

    /**
     * Asks for samples of a consignment to be measured again.
     *
     * @param list<string> $codes
     * @return string what the lab answers
     *
     * @throws Conflict
     */
    public function recheck(string $id, array $codes, string $why): string;

    /**
     * Only a simulated service has a clock and troubles that can be set.
     *
     * @param array{advance_days?: int, trouble?: string, slip?: string, told?: bool, shape?: string} $order
     *
     * @throws Conflict
     */
    public function order(array $order): string;
}
