<?php

declare(strict_types=1);

namespace App\Backup;

use HonestCore\Error\CoreError;
use Illuminate\Support\Facades\File;
use ZipArchive;

/** An archive of ours, laid out in a folder of its own for as long as it is looked at: every part by its name and hash. */
final class UnpackedParts
{
    /** What an archive says of itself. */
    public const MANIFEST = 'manifest.json';

    /** Bytes of a manifest, which names every part. */
    private const MOST_MANIFEST = 100_000_000;

    /**
     * @template T
     * @template M of NamesParts
     *
     * @param string $names what a name of a part looks like
     * @param class-string<M> $kind of manifest
     * @param \Closure(string, M): T $then given the folder, while it is there
     * @return T
     */
    public static function of(string $path, string $what, string $names, string $kind, \Closure $then): mixed
    {
        $folder = sys_get_temp_dir().'/honest-core-'.bin2hex(random_bytes(8));
        $archive = new ZipArchive();
        if (! is_file($path) || $archive->open($path, ZipArchive::RDONLY) !== true) {
            throw new BadBackup("{$path} is no {$what} that can be read.");
        }
        try {
            $manifest = self::manifest($archive, $path, $kind);
            foreach ($manifest->parts() as $name => $hash) {
                if (preg_match($names, $name) !== 1 || str_contains($name, '..')) {
                    throw new BadBackup("{$name} is no name of a part of a {$what}.");
                }
                self::part($archive, $folder, $name, $hash, $what);
            }

            return $then($folder, $manifest);
        } finally {
            $archive->close();
            File::deleteDirectory($folder);
        }
    }

    /**
     * @template M of NamesParts
     *
     * @param class-string<M> $kind
     * @return M
     */
    private static function manifest(ZipArchive $archive, string $path, string $kind): NamesParts
    {
        // Its stated size first: what is read with a bound takes the memory of that bound.
        $size = $archive->statName(self::MANIFEST)['size'] ?? 0;
        $text = $size > self::MOST_MANIFEST ? '' : (string) $archive->getFromName(self::MANIFEST);
        $row = json_decode($text, true);
        try {
            $made = $kind::fromRow(is_array($row) ? $row : throw new BadBackup("{$path} holds no manifest."));

            return $made instanceof $kind ? $made : throw new \LogicException("{$kind} makes another kind.");
        } catch (CoreError $error) {
            throw new BadBackup("The manifest of {$path} cannot be read: {$error->getMessage()}", previous: $error);
        }
    }

    private static function part(ZipArchive $archive, string $folder, string $name, string $hash, string $what): void
    {
        $from = $archive->getStream($name);
        if ($from === false) {
            throw new BadBackup("{$name} is not in the {$what}.");
        }
        File::ensureDirectoryExists(dirname("{$folder}/{$name}"), 0700);
        $to = fopen("{$folder}/{$name}", 'wb');
        if ($to === false || stream_copy_to_stream($from, $to) === false || ! fclose($to)) {
            throw new BadBackup("{$name} cannot be unpacked; is the disk full?");
        }
        if (hash_file('sha256', "{$folder}/{$name}") !== $hash) {
            throw new BadBackup("{$name} is not as it was when the {$what} was made.");
        }
    }
}
