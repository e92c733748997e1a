<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\DivideArea;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Area;
use Illuminate\Http\Request;

final class CutHole
{
    public function __invoke(Request $request, Area $area, DivideArea $divide): AreaResource
    {
        $request->validate(['boundary' => ['required', 'array']]);
        /** @var array<string, mixed> $piece */
        $piece = $request->array('boundary');

        return new AreaResource($divide->takeOut($area, $piece));
    }
}
