<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Decide\CheckVerdict;
use App\Actions\Prescribe\Recommend;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Prescribe\RecommendationRequest;
use App\Http\Resources\Prescribe\RecommendationResource;
use App\Models\Area;

final class ShowRecommendation
{
    public function __invoke(
        RecommendationRequest $request,
        Area $area,
        Recommend $recommend,
        CheckVerdict $check,
        NoteGlimpses $note,
    ): RecommendationResource {
        $note->ofArea($area);
        $found = $recommend($area, $request->material(), $request->depthInches(), $request->sampleOf($area));
        $verdict = $found->chosen->verdict;

        return new RecommendationResource($found, $verdict !== null && $check->moved($verdict));
    }
}
