<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\GroundEvent;
use App\Models\SignedProgram;
use HonestCore\FollowUp\PlannedLine;

/** A line of a signed program with what was noted of it. */
final readonly class NotedLine
{
    /** @param list<GroundEvent> $noted the newest first */
    public function __construct(public SignedProgram $program, public PlannedLine $line, public array $noted) {}
}
