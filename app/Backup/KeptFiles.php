<?php

declare(strict_types=1);

namespace App\Backup;

use App\Database\Values;
use Illuminate\Database\Connection;

/** The pictures and papers that a database names: each lies under its name in the private folder. */
final class KeptFiles
{
    private const TABLES = ['photos', 'bag_photos', 'underlays', 'report_papers'];

    /**
     * @param int|null $team whose files are asked for; those of all where it is null
     * @return list<string>
     */
    public static function namedBy(Connection $database, ?int $team = null): array
    {
        $names = [];
        foreach (self::TABLES as $table) {
            if ($database->getSchemaBuilder()->hasTable($table)) {
                $rows = $database
                    ->table($table)
                    ->when($team !== null, static fn ($own) => $own->where('team_id', $team))
                    ->orderBy('id');
                $names = [...$names, ...Values::texts($rows->pluck('file'))];
            }
        }

        return array_values(array_unique($names));
    }
}
