<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\TransectView;
use App\Http\Resources\Bench\TransectsResource;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

final class ShowTransects
{
    public function __invoke(Area $area): JsonResponse
    {
        return (new TransectsResource(TransectView::of($area)))->response();
    }
}
