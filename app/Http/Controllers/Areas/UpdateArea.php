<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\WriteArea;
use App\Http\Requests\Areas\AreaRequest;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Area;

final class UpdateArea
{
    public function __invoke(AreaRequest $request, Area $area, WriteArea $write): AreaResource
    {
        return new AreaResource($write->change($area, $request->fieldsGiven(), $request->basedOn()));
    }
}
