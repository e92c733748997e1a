<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\WriteArea;
use App\Http\Requests\Areas\AreasRequest;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;

final class CreateAreas
{
    public function __invoke(AreasRequest $request, Site $site, WriteArea $write): JsonResponse
    {
        $areas = $write->all($site, $request->areas());

        return AreaResource::collection($areas)->response()->setStatusCode(201);
    }
}
