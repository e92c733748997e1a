<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use Illuminate\Database\Connection;

/** The pictures and papers that a database names: each lies under its name in the private folder. */
final class KeptFiles
{
    private const TABLES = ['photos', 'underlays', 'report_papers'];

    /** @return list<string> */
    public static function namedBy(Connection $database): array
    {
        $names = [];
        foreach (self::TABLES as $table) {
            if ($database->getSchemaBuilder()->hasTable($table)) {
                $names = [...$names, ...Values::texts($database->table($table)->orderBy('id')->pluck('file'))];
            }
        }

        return array_values(array_unique($names));
    }
}
