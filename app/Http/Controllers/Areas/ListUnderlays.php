<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Resources\Areas\UnderlayResource;
use App\Models\Site;
use App\Models\Underlay;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListUnderlays
{
    public function __invoke(Site $site): AnonymousResourceCollection
    {
        return UnderlayResource::collection(Underlay::ofSite($site));
    }
}
