<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\TransectShape;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

final class ShowTransects
{
    public function __invoke(Area $area): JsonResponse
    {
        return new JsonResponse(TransectShape::all($area));
    }
}
