<?php

declare(strict_types=1);

namespace App\Http\Session;

use Illuminate\Session\FileSessionHandler;

/**
 * Sessions in files, each written whole or not at all: a server that is killed while it writes signs nobody out.
 */
final class WholeFileHandler extends FileSessionHandler
{
    public function write(#[\SensitiveParameter] $sessionId, #[\SensitiveParameter] $data): bool
    {
        $this->files->replace("{$this->path}/{$sessionId}", $data, 0600);

        return true;
    }
}
