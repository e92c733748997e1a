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

    /** @return list<self> what a core may be handed in as; a mark taken back is none of them */
    public static function ofHandIn(): array
    {
        return [self::Pulled, self::Moved, self::Refused, self::Skipped];
    }

    /** Is there soil of it in the bucket? */
    public function isUp(): bool
    {
        return $this === self::Pulled || $this === self::Moved;
    }
}
