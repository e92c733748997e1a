<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListSites
{
    public function __invoke(): AnonymousResourceCollection
    {
        return SiteResource::collection(Site::byName());
    }
}
