<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Resources\Areas\UnderlayResource;
use App\Models\Underlay;
use Illuminate\Http\Request;

/** Gives a picture its two or three known places. */
final class PlaceUnderlay
{
    public function __invoke(Request $request, Underlay $underlay): UnderlayResource
    {
        $request->validate(
            [
                'known' => ['required', 'array', 'between:2,3'],
                'known.*.x' => ['required', 'numeric', "between:0,{$underlay->width}"],
                'known.*.y' => ['required', 'numeric', "between:0,{$underlay->height}"],
                'known.*.longitude' => ['required', 'numeric', 'between:-180,180'],
                'known.*.latitude' => ['required', 'numeric', 'between:-89,89'],
            ],
            [
                'known.between' => 'Two or three known places are needed.',
                'known.required' => 'Two or three known places are needed.',
            ],
        );
        $underlay->fill(['known' => $request->array('known')]);
        $underlay->corners();
        $underlay->save();

        return new UnderlayResource($underlay);
    }
}
