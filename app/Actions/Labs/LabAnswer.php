<?php

declare(strict_types=1);

namespace App\Actions\Labs;

/** Where a lab says a consignment is, in its own words, and which reports it has made of it. */
final readonly class LabAnswer
{
    /** @param list<string> $reports names */
    public function __construct(public string $state, public string $word, public array $reports) {}
}
