<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\JoinAreas;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Area;

final class JoinArea
{
    public function __invoke(Area $area, Area $other, JoinAreas $join): AreaResource
    {
        return new AreaResource($join($area, $other));
    }
}
