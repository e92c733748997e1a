<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Models\Photo;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

final class ShowPhoto
{
    public function __invoke(Photo $photo): Response
    {
        $content = Storage::disk('local')->get($photo->file);
        abort_if($content === null, 404);

        return new Response($content, 200, [
            'Content-Type' => $photo->type,
            'Cache-Control' => 'private, max-age=86400',
        ]);
    }
}
