<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\TransectView;
use App\Http\Requests\Bench\TransectRequest;
use App\Http\Resources\Bench\TransectsResource;
use App\Models\Area;
use App\Models\Transect;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class AddTransect
{
    public function __invoke(TransectRequest $request, Area $area): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $transect = $request->transect();
        Transect::record([
            'area_id' => $area->id,
            'created_by' => $author->id,
            'read_on' => $request->string('read_on')->toString(),
            'reader' => $request->string('reader')->trim()->toString(),
            'instrument' => $request->string('instrument')->trim()->toString(),
            'row_spacing_cm' => $transect->rowSpacingCm,
            'places' => array_map(
                static fn (array $place): array => ['cm' => $place['cm'], 'readings' => $place['readings']],
                $transect->places,
            ),
            'note' => $request->string('note')->toString(),
        ]);

        return (new TransectsResource(TransectView::of($area)))->response()->setStatusCode(201);
    }
}
