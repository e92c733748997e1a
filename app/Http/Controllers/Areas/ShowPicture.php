<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Models\Underlay;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

final class ShowPicture
{
    public function __invoke(Underlay $underlay): Response
    {
        $content = Storage::disk('local')->get($underlay->file);
        abort_if($content === null, 404);

        return new Response($content, 200, [
            'Content-Type' => $underlay->mime,
            'Cache-Control' => 'private, max-age=86400',
        ]);
    }
}
