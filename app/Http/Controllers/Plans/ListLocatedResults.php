<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\OwnGridResults;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

final class ListLocatedResults
{
    public function __invoke(Area $area, OwnGridResults $results): JsonResponse
    {
        return new JsonResponse($results($area));
    }
}
