<?php

declare(strict_types=1);

namespace App\Backup;

use HonestCore\Table\Stored;

/** What an archive says of itself, and which parts it has. */
interface NamesParts extends Stored
{
    /** @return array<string, string> SHA-256 of each by its name */
    public function parts(): array;
}
