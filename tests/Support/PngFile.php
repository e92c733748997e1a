<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Http\Testing\File;
use Illuminate\Http\UploadedFile;

/** A true PNG of one grey, written by hand, so that a test can harm it where it likes. */
final class PngFile
{
    public static function of(string $name, int $width, int $height): File
    {
        return UploadedFile::fake()->createWithContent($name, self::bytes($width, $height));
    }

    /**
     * A picture in colour: patches on a ground.
     *
     * @param array{int, int, int} $ground
     * @param list<array{int, int, int, int, array{int, int, int}}> $patches left, top, width, height, colour
     */
    public static function painted(int $width, int $height, array $ground, array $patches): string
    {
        $rows = [];
        for ($y = 0; $y < $height; $y++) {
            $row = str_repeat(pack('C3', ...$ground), $width);
            foreach ($patches as [$left, $top, $wide, $tall, $colour]) {
                if ($y >= $top && $y < $top + $tall) {
                    $row = substr_replace($row, str_repeat(pack('C3', ...$colour), $wide), 3 * $left, 3 * $wide);
                }
            }
            $rows[] = "\0{$row}";
        }
        $chunk = static fn (string $kind, string $data): string => pack('N', strlen($data)).
            $kind.
            $data.
            pack('N', crc32($kind.$data));

        return "\x89PNG\r\n\x1a\n".
            $chunk('IHDR', pack('NNCCCCC', $width, $height, 8, 2, 0, 0, 0)).
            $chunk('IDAT', (string) gzcompress(implode('', $rows))).
            $chunk('IEND', '');
    }

    public static function bytes(int $width, int $height): string
    {
        $chunk = static fn (string $kind, string $data): string => pack('N', strlen($data)).
            $kind.
            $data.
            pack('N', crc32($kind.$data));
        $rows = str_repeat("\0".str_repeat("\xb0", $width), $height);

        return "\x89PNG\r\n\x1a\n".
            $chunk('IHDR', pack('NNCCCCC', $width, $height, 8, 0, 0, 0, 0)).
            $chunk('IDAT', (string) gzcompress($rows)).
            $chunk('IEND', '');
    }
}
