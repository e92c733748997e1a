<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;

final class ShowSite
{
    public function __invoke(Site $site): SiteResource
    {
        return new SiteResource(
            $site->drawn(),
        );
    }
}
