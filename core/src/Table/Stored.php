<?php

declare(strict_types=1);

namespace HonestCore\Table;

/** A value that is kept and sent as a row of named fields, and comes back from it unchanged. */
interface Stored
{
    /** @param array<mixed> $row */
    public static function fromRow(array $row): self;

    /** @return array<string, mixed> */
    public function toRow(): array;
}
