<?php

declare(strict_types=1);

namespace App\Actions\Today;

/** Something that waits to be done: at which step of the work, in words, and where. */
final readonly class Waiting
{
    public function __construct(public string $stage, public string $text, public string $detail, public string $to) {}
}
