<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Exceptions\Conflict;

/** A pen or probe that can be read from here. */
interface ProbeService
{
    public function isThere(): bool;

    /** Is what it says made up? */
    public function isSimulated(): bool;

    /**
     * The lines of a device as they come.
     *
     * @param string $probe ph or no3n
     * @param array{token: string, ph: float|null} $soil what a simulated one makes its readings from
     * @return \Generator<int, string, mixed, string> ends with how it ended: "done", or why it stopped, in words
     *
     * @throws Conflict when the device does not answer
     */
    public function lines(string $probe, int $seconds, array $soil): \Generator;
}
