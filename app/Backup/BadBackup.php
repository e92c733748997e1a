<?php

declare(strict_types=1);

namespace App\Backup;

/** A backup that cannot be made, is not whole, or cannot be taken back. */
final class BadBackup extends \RuntimeException {}
