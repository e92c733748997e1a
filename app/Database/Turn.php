<?php

declare(strict_types=1);

namespace App\Database;

/** One process at a time: the system gives the turn back when its holder ends, in whatever way. */
final class Turn
{
    private const LOOK_US = 50_000;

    /** @param resource $file */
    private function __construct(private $file) {}

    /** The turn of that name; null where another holds it for longer than one is ready to wait. */
    public static function take(string $name, float $patienceS = 0): ?self
    {
        $folder = storage_path('framework/turns');
        if (! is_dir($folder)) {
            @mkdir($folder, 0775, true);
        }
        $file = fopen("{$folder}/{$name}", 'c');
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

    public function giveBack(): void
    {
        flock($this->file, LOCK_UN);
        fclose($this->file);
    }
}
