<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** A file that was handed in: kept under the hash of its content, so that the same file again is the same, and shown to its team. */
final readonly class KeptFile
{
    private function __construct(public string $file, public string $sha256, public string $type, public int $bytes) {}

    /** @param string $place that its hash is put behind */
    public static function keep(string $place, UploadedFile $file): self
    {
        $content = (string) $file->getContent();
        $hash = hash('sha256', $content);
        Storage::disk('local')->put("{$place}-{$hash}", $content);

        return new self("{$place}-{$hash}", $hash, (string) $file->getMimeType(), strlen($content));
    }

    /** @param array<string, string> $headers besides its type */
    public static function show(string $file, string $type, array $headers = []): Response
    {
        $content = Storage::disk('local')->get($file);
        abort_if($content === null, 404);

        return new Response($content, 200, ['Content-Type' => $type, 'Cache-Control' => 'private, max-age=86400'] + $headers);
    }
}
