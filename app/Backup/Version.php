<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use Illuminate\Database\Connection;

/** Which version of the product an archive was made by. */
final class Version
{
    public static function running(): string
    {
        $package = json_decode((string) file_get_contents(base_path('package.json')), true);

        return is_array($package) ? Values::text($package['version'] ?? '') : '';
    }

    public static function lastMigration(Connection $database): string
    {
        return Values::text($database->table('migrations')->orderByDesc('id')->value('migration'));
    }
}
