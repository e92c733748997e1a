<?php

declare(strict_types=1);

namespace HonestCore\Record;

/** Walks a chain from its first link on, and says what does not fit. */
final class ChainWalk
{
    private ?ChainLink $last = null;

    /** @param ChainHead|null $kept a head that was exported before: the chain must still go through it */
    public function __construct(private readonly ?ChainHead $kept = null) {}

    /** @param string|null $says hash of what the row says now; null where it is gone */
    public function take(ChainLink $link, ?string $says): ?ChainFault
    {
        $place = "{$link->table} {$link->row}";
        $expected = ($this->last->position ?? 0) + 1;
        $before = $this->last->hash ?? ChainLink::NOTHING;
        $this->last = $link;

        return match (true) {
            $link->position !== $expected => new ChainFault(
                ChainFault::BROKEN,
                $link->table,
                $link->row,
                "link {$expected} is gone; the next one is {$link->position}, of {$place}",
            ),
            $link->before !== $before => new ChainFault(
                ChainFault::BROKEN,
                $link->table,
                $link->row,
                "link {$link->position}, of {$place}, does not follow the one before it",
            ),
            ! $link->holds() => new ChainFault(
                ChainFault::BROKEN,
                $link->table,
                $link->row,
                "link {$link->position}, of {$place}, is not as it was written",
            ),
            $this->kept !== null &&
                $link->position === $this->kept->position &&
                $link->hash !== $this->kept->hash => new ChainFault(
                    ChainFault::REWRITTEN,
                    $link->table,
                    $link->row,
                    "link {$link->position}, of {$place}, is another than when the head was exported",
                ),
            $says === null => new ChainFault(ChainFault::REMOVED, $link->table, $link->row, "{$place} is gone"),
            $says !== $link->says => new ChainFault(
                ChainFault::ALTERED,
                $link->table,
                $link->row,
                "{$place} does not say what it said when it was written",
            ),
            default => null,
        };
    }

    /** What can be said only when every link was seen. */
    public function end(): ?ChainFault
    {
        $position = $this->last->position ?? 0;

        return $this->kept !== null && $position < $this->kept->position
            ? new ChainFault(
                ChainFault::REMOVED,
                '',
                0,
                "the chain ends at link {$position}; when its head was exported it had {$this->kept->position}",
            )
            : null;
    }

    public function head(): ChainHead
    {
        return new ChainHead($this->last->position ?? 0, $this->last->hash ?? ChainLink::NOTHING);
    }
}
