<?php

declare(strict_types=1);

namespace HonestCore\Record;

/** The first thing in a record that does not fit its chain. */
final readonly class ChainFault
{
    public const ALTERED = 'altered';

    public const REMOVED = 'removed';

    public const INSERTED = 'inserted';

    public const BROKEN = 'broken';

    public const REWRITTEN = 'rewritten';

    public function __construct(public string $kind, public string $table, public int $row, public string $words) {}

    public static function inserted(string $table, int $row): self
    {
        return new self(self::INSERTED, $table, $row, "{$table} {$row} was not written by the program");
    }
}
