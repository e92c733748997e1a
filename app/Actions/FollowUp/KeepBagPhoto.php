<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Files\KeptFile;
use App\Models\BagPhoto;
use App\Models\GroundEvent;
use App\Models\Photo;
use App\Models\User;
use Illuminate\Http\UploadedFile;

/** Keeps a photo of the bag that was spread from; the same photo again changes nothing. */
final class KeepBagPhoto
{
    public function __invoke(GroundEvent $event, UploadedFile $picture, User $author): BagPhoto
    {
        $kept = KeptFile::keep(Photo::FOLDER."/bag-{$event->id}", $picture);

        return BagPhoto::query()->createOrFirst(
            ['event_id' => $event->id, 'sha256' => $kept->sha256],
            ['created_by' => $author->id, 'file' => $kept->file, 'type' => $kept->type],
        );
    }
}
