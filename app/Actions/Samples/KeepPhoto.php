<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Files\KeptFile;
use App\Models\Photo;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\UploadedFile;

/** Keeps a photo of a pull; the same photo again changes nothing. */
final class KeepPhoto
{
    public function __invoke(Sample $sample, UploadedFile $picture, User $author): Photo
    {
        $kept = KeptFile::keep(Photo::FOLDER."/{$sample->id}", $picture);

        return Photo::query()->createOrFirst(
            ['sample_id' => $sample->id, 'sha256' => $kept->sha256],
            ['created_by' => $author->id, 'file' => $kept->file, 'type' => $kept->type],
        );
    }
}
