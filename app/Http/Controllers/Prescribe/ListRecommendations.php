<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\Recommend;
use App\Http\Requests\Prescribe\RecommendationRequest;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

/** Every area of a site with the answer its recommendation gives. */
final class ListRecommendations
{
    public function __invoke(RecommendationRequest $request, Recommend $recommend): JsonResponse
    {
        $areas = Area::ofSite($request->integer('site_id'), Recommend::needs());
        $recommend->plans->prepare($areas);

        return new JsonResponse(
            $areas->map(static function (Area $area) use ($recommend, $request): array {
                $it = $recommend($area, $request->material(), $request->depthInches());

                return [
                    'area_id' => $area->id,
                    'area' => $area->name,
                    'use_name' => $it->crop->name,
                    'kind' => $it->chosen->advice->kind,
                    'kinds' => $it->kinds(),
                    'answer' => $it->chosen->advice->answer,
                    'sample' => $it->chosen->sample?->code,
                    'pulled_on' => $it->chosen->sample?->pulled_on->format('Y-m-d'),
                ];
            }),
        );
    }
}
