<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/** How a step of a method goes: done at once, timed by hand, left alone, or read. */
enum StepKind: string
{
    case Act = 'act';
    case Timed = 'timed';
    /** Begins when the step before it ends, and ends when the next one begins. */
    case Wait = 'wait';
    case Read = 'read';

    public function hasWindow(): bool
    {
        return $this === self::Timed || $this === self::Wait;
    }
}
