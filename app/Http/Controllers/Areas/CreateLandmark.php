<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Requests\Areas\LandmarkRequest;
use App\Http\Resources\Areas\LandmarkResource;
use App\Models\Site;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\LocalPlane;
use Illuminate\Http\JsonResponse;

final class CreateLandmark
{
    public function __invoke(LandmarkRequest $request, Site $site): JsonResponse
    {
        KeepAway::fromGeoJson(
            json_encode($request->array('geometry'), JSON_THROW_ON_ERROR),
            new LocalPlane(0.0, 0.0),
            0.0,
        );
        $landmark = $site->landmarks()->create($request->fields());

        return (new LandmarkResource($landmark))->response()->setStatusCode(201);
    }
}
