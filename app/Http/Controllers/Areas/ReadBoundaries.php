<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\ReadAreaFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a GeoJSON file holds, before anything of it is stored. */
final class ReadBoundaries
{
    public function __invoke(Request $request, ReadAreaFile $read): JsonResponse
    {
        $request->validate(['text' => ['required', 'string', 'max:2000000']], ['text.max' => 'The file is larger than 2 MB; accepted are up to 2 MB of GeoJSON.']);

        return new JsonResponse(['areas' => $read($request->string('text')->toString())]);
    }
}
