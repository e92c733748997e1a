<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/** A film of one picture that stands still, as a camera would see it: YUV4MPEG2, 4:2:0. */
final class Video
{
    private const WIDE = 640;

    private const TALL = 480;

    private const FRAMES = 10;

    public static function ofPicture(string $png, string $file): void
    {
        $picture = imagecreatefromstring($png);
        $canvas = imagecreatetruecolor(self::WIDE, self::TALL);
        if ($picture === false) {
            throw new RuntimeException('The picture is none.');
        }
        imagefill($canvas, 0, 0, (int) imagecolorallocate($canvas, 235, 235, 235));
        imagecopyresampled(
            $canvas, $picture, (self::WIDE - 360) >> 1, (self::TALL - 360) >> 1, 0, 0, 360, 360, imagesx($picture), imagesy($picture),
        );
        $light = '';
        for ($y = 0; $y < self::TALL; $y++) {
            for ($x = 0; $x < self::WIDE; $x++) {
                $light .= chr((int) imagecolorat($canvas, $x, $y) & 0xFF);
            }
        }
        $frame = "FRAME\n{$light}".str_repeat(chr(128), intdiv(self::WIDE * self::TALL, 2));
        file_put_contents($file, 'YUV4MPEG2 W'.self::WIDE.' H'.self::TALL." F10:1 Ip A1:1 C420jpeg\n".str_repeat($frame, self::FRAMES));
    }
}
