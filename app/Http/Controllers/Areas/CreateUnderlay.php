<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Requests\Areas\PictureRequest;
use App\Http\Resources\Areas\UnderlayResource;
use App\Models\Site;
use App\Models\Underlay;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** The picture is kept under a name of our own, outside of what the server gives out by itself. */
final class CreateUnderlay
{
    public function __invoke(PictureRequest $request, Site $site): JsonResponse
    {
        $picture = $request->picture();
        $size = getimagesizefromstring($picture->getContent());
        if ($size === false) {
            abort(422, 'The picture cannot be read.');
        }
        $file = Underlay::FOLDER.'/'.Str::uuid()->toString();
        Storage::disk('local')->put($file, $picture->getContent());
        $underlay = Underlay::record([
            'site_id' => $site->id,
            'name' => mb_substr($picture->getClientOriginalName(), 0, 120),
            'file' => $file,
            'mime' => $size['mime'],
            'width' => $size[0],
            'height' => $size[1],
            'known' => [],
        ]);

        return (new UnderlayResource($underlay))->response()->setStatusCode(201);
    }
}
