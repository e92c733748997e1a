<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use Illuminate\Database\Eloquent\Relations\HasMany;

final class ShowSite
{
    public function __invoke(Site $site): SiteResource
    {
        return new SiteResource(
            $site->load([
                'areas' => static fn (HasMany $areas) => $areas->withCount('samples')->orderBy('name'),
                'areas.plans:id,area_id',
                'landmarks',
            ]),
        );
    }
}
