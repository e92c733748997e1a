<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * Inserts many rows of a table by one prepared statement: the query builder takes longer to word one than SQLite to
 * carry it out.
 */
final class ManyRows
{
    /** SQLite takes up to 32,766 values in a statement. */
    private const MOST_VALUES = 30_000;

    /** @param list<array<string, string|int|float|null>> $rows all with the same columns in the same order */
    public static function insert(string $table, array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $columns = array_keys($rows[0]);
        $names = implode(', ', array_map(static fn (string $column): string => "\"{$column}\"", $columns));
        $places = '('.implode(', ', array_fill(0, count($columns), '?')).')';
        foreach (array_chunk($rows, max(1, intdiv(self::MOST_VALUES, max(1, count($columns))))) as $some) {
            $values = [];
            foreach ($some as $row) {
                foreach ($row as $value) {
                    $values[] = $value;
                }
            }
            $statement = DB::connection()
                ->getPdo()
                ->prepare(
                    "INSERT INTO \"{$table}\" ({$names}) VALUES ".implode(', ', array_fill(0, count($some), $places)),
                );
            foreach ($values as $i => $value) {
                $statement->bindValue(
                    $i + 1,
                    is_float($value) ? sprintf('%.17g', $value) : $value,
                    $value === null ? \PDO::PARAM_NULL : (is_int($value) ? \PDO::PARAM_INT : \PDO::PARAM_STR),
                );
            }
            $statement->execute();
        }
    }
}
