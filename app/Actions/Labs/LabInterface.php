<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Exceptions\Conflict;

/** What the interface of a real courier or lab offers. */
interface LabInterface
{
    public function isThere(): bool;

    /**
     * Announces a consignment, once however often it is announced.
     *
     * @param list<array{code: string, tests: list<string>}> $portions
     * @return string what the lab calls it
     *
     * @throws Conflict when it does not answer or refuses
     */
    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string;

    /** @throws Conflict */
    public function ask(string $id): LabAnswer;

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
}
