<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\RetestDates;
use App\Http\Resources\FollowUp\RetestResource;
use App\Models\Site;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListRetests
{
    public function __invoke(Request $request, RetestDates $dates): AnonymousResourceCollection
    {
        return RetestResource::collection($dates(Site::named($request->integer('site_id'))));
    }
}
