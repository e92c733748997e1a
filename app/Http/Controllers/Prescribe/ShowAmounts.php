<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\AdvisedOther;
use App\Actions\Prescribe\AdviseOthers;
use App\Http\Requests\Prescribe\AmountsRequest;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

/** What the analytes other than pH call for in an area. */
final class ShowAmounts
{
    public function __invoke(AmountsRequest $request, Area $area, AdviseOthers $advise): JsonResponse
    {
        return new JsonResponse([
            'crops' => $area->crop()->ratesFor,
            'analytes' => array_map(
                static fn (AdvisedOther $one): array => [
                    'analyte' => $one->analyte->code,
                    'name' => $one->analyte->name,
                    ...$one->advice->toArray(),
                    'sample_id' => $one->sample->id,
                    'sample' => $one->sample->code,
                    'pulled_on' => $one->sample->pulled_on->format('Y-m-d'),
                    'depth' => $one->sample->depth,
                    'method' => $one->reading?->method->name,
                    'verdict' => $one->verdict?->verdict,
                    'differ' => $one->differ,
                ],
                $advise($area, $request->crop(), $request->yield(), $request->sampleOf($area)),
            ),
        ]);
    }
}
