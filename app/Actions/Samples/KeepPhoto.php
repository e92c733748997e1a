<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Models\Photo;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** Keeps a photo of a pull; the same photo again changes nothing. */
final class KeepPhoto
{
    public function __invoke(Sample $sample, UploadedFile $picture, User $author): Photo
    {
        $content = $picture->getContent();
        $hash = hash('sha256', $content);
        $file = Photo::FOLDER."/{$sample->id}-{$hash}";
        Storage::disk('local')->put($file, $content);

        return Photo::query()->createOrFirst(
            ['sample_id' => $sample->id, 'sha256' => $hash],
            ['created_by' => $author->id, 'file' => $file, 'type' => (string) $picture->getMimeType()],
        );
    }
}
