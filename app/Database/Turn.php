<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * One process at a time on one database: the system gives the turn back when its holder ends, in whatever way.
 * Another database is nobody's to wait for, though it is kept by the same installation.
 */
final class Turn
{
    private const LOOK_US = 50_000;

    /** @param resource $file */
    private function __construct(private $file) {}

    /** The turn of that name on the database in use; null where another holds it for longer than one is ready to wait. */
    public static function take(string $name, float $patienceS = 0): ?self
    {
        $folder = storage_path('framework/turns');
        if (! is_dir($folder)) {
            @mkdir($folder, 0775, true);
        }
        $file = fopen("{$folder}/{$name}.".self::ofDatabase(), 'c');
        if ($file === false) {
            throw new \RuntimeException("{$folder} cannot be written.");
        }
        for ($until = microtime(true) + $patienceS; ! flock($file, LOCK_EX | LOCK_NB);) {
            if (microtime(true) >= $until) {
                fclose($file);

                return null;
            }
            usleep(self::LOOK_US);
        }

        return new self($file);
    }

    /** Which database it is, in a few letters; one in memory is its process's alone. */
    private static function ofDatabase(): string
    {
        $path = DB::connection()->getDatabaseName();
        $whole = realpath($path);

        return $whole === false ? 'process-'.getmypid() : substr(hash('sha256', $whole), 0, 16);
    }

    public function giveBack(): void
    {
        flock($this->file, LOCK_UN);
        fclose($this->file);
    }
}
