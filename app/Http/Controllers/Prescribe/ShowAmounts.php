<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\AdvisedOther;
use App\Actions\Prescribe\AdviseOthers;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Prescribe\AmountsRequest;
use App\Http\Resources\Prescribe\AmountOfAnalyteResource;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

/** What the analytes other than pH call for in an area. */
final class ShowAmounts
{
    public function __invoke(AmountsRequest $request, Area $area, AdviseOthers $advise, NoteGlimpses $note): JsonResponse
    {
        $note->ofArea($area);

        return new JsonResponse([
            'crops' => $area->crop()->ratesFor,
            'analytes' => array_map(
                static fn (AdvisedOther $one): AmountOfAnalyteResource => new AmountOfAnalyteResource($one, $area->site->units),
                $advise($area, $request->crop(), $request->yield(), $request->sampleOf($area)),
            ),
        ]);
    }
}
