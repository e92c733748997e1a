<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\OwnGridResults;
use App\Actions\Readings\NoteGlimpses;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

final class ListLocatedResults
{
    public function __invoke(Area $area, OwnGridResults $results, NoteGlimpses $note): JsonResponse
    {
        $note->ofArea($area);

        return new JsonResponse($results($area));
    }
}
