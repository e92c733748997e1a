<?php

declare(strict_types=1);

namespace App\Archive;

use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;

/**
 * Archives on their way out of a page or in from one. They lie apart from what is kept, each under a name that nobody guesses and
 * its team, and are gone after a day.
 */
final class ArchiveDesk
{
    /** What a name of one is. */
    public const NAME = '[a-f0-9]{32}';

    private const DAY_S = 86_400;

    /** More than this is no team's record of ten years; disks are not filled from a page. */
    private const MOST_BYTES = 2_000_000_000;

    public function newName(): string
    {
        return bin2hex(random_bytes(16));
    }

    public function path(int $team, string $name): string
    {
        $folder = storage_path('app/archives');
        File::ensureDirectoryExists($folder, 0700);
        $this->tidy($folder);

        return "{$folder}/{$team}-{$name}.zip";
    }

    /**
     * Adds a piece to an archive that is being brought in.
     *
     * @return int how many bytes of it are there now
     *
     * @throws Conflict where another piece is wanted next
     * @throws Refused where it grows too large
     */
    public function add(int $team, string $name, int $offset, UploadedFile $piece): int
    {
        $path = $this->path($team, $name);
        $file = fopen($path, 'cb');
        if ($file === false || ! flock($file, LOCK_EX)) {
            throw Refused::because('archive_unwritable');
        }
        try {
            $size = fstat($file)['size'] ?? 0;
            if ($size !== $offset) {
                throw Conflict::because('archive_piece', size: $size);
            }
            // All that the team has lying there counts: disks are not filled by many small beginnings either.
            $lying = array_sum(array_map(filesize(...), glob(dirname($path)."/{$team}-*.zip") ?: []));
            if ($lying + $piece->getSize() > self::MOST_BYTES) {
                throw Refused::because('archive_too_large');
            }
            fseek($file, 0, SEEK_END);
            $bytes = $piece->getContent();
            if (fwrite($file, $bytes) !== strlen($bytes) || ! fflush($file)) {
                throw Refused::because('archive_unwritable');
            }

            return $size + strlen($bytes);
        } finally {
            fclose($file);
        }
    }

    private function tidy(string $folder): void
    {
        foreach (glob("{$folder}/*.zip") ?: [] as $old) {
            if ((int) filemtime($old) < time() - self::DAY_S) {
                @unlink($old);
            }
        }
    }
}
