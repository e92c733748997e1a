<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Http\Requests\Areas\PictureRequest;
use App\Models\Photo;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Storage;

final class AddPhoto
{
    public function __invoke(PictureRequest $request, Sample $sample): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $content = $request->picture()->getContent();
        $hash = hash('sha256', $content);
        Storage::disk('local')->put(Photo::FOLDER."/{$sample->id}-{$hash}", $content);
        $photo = Photo::query()->createOrFirst(
            ['sample_id' => $sample->id, 'sha256' => $hash],
            [
                'created_by' => $author->id,
                'file' => Photo::FOLDER."/{$sample->id}-{$hash}",
                'type' => (string) $request->picture()->getMimeType(),
            ],
        );

        return new JsonResponse(['id' => $photo->id], 201);
    }
}
