<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/** What became of a planned core. */
enum Outcome: string
{
    case Pulled = 'pulled';
    case Moved = 'moved';
    case Refused = 'refused';
    case Skipped = 'skipped';
    /** The mark before it was a mistake. */
    case Undone = 'undone';

    /** Is there soil of it in the bucket? */
    public function isUp(): bool
    {
        return $this === self::Pulled || $this === self::Moved;
    }
}
