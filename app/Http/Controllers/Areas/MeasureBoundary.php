<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use HonestCore\Geometry\Boundary;
use HonestCore\Quantity\Extent;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The extent of a polygon while it is being drawn. */
final class MeasureBoundary
{
    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['boundary' => ['required', 'array']]);
        $area = Extent::ofSquareMetres(
            Boundary::fromGeoJson(json_encode($request->array('boundary'), JSON_THROW_ON_ERROR))->areaM2(),
        );

        return new JsonResponse([
            'area_m2' => $area->squareMetres,
            'area_acres' => $area->acres(),
            'area_ha' => $area->hectares(),
        ]);
    }
}
