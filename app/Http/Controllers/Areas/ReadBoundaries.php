<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\ReadAreaFile;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a file of areas holds, before anything of it is stored. */
final class ReadBoundaries
{
    public function __invoke(Request $request, ReadAreaFile $read): JsonResponse
    {
        $request->validate(
            [
                'text' => ['required', 'string', 'max:6000000'],
                'swap' => ['sometimes', 'boolean'],
                'site_id' => ['sometimes', 'integer'],
            ],
            [
                'text.required' => 'The file is empty; accepted are GeoJSON, KML, GPX, well-known text and CSV.',
                'text.max' => 'The file is larger than 6 MB; accepted are up to 6 MB of GeoJSON, KML, GPX or CSV.',
            ],
        );
        $site = Site::ofTeam($request->integer('site_id'));

        return new JsonResponse($read($request->string('text')->toString(), $request->boolean('swap'), $site));
    }
}
