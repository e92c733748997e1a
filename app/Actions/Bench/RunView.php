<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Run;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodStep;

/** A run as its log tells it at a moment. */
final readonly class RunView
{
    /**
     * @param list<MethodStep> $steps
     * @param list<string> $warnings what breaks the protocol of the whole run, in words
     * @param list<array{tube: int, act: string, step: string, from_ms: int, aim_ms: int, until_ms: int|null}> $agenda
     */
    public function __construct(
        public Run $run,
        public MethodDefinition $definition,
        public BenchRun $replay,
        public array $steps,
        public array $warnings,
        public array $agenda,
    ) {}

    public function isOpen(): bool
    {
        return $this->run->state === 'open';
    }
}
