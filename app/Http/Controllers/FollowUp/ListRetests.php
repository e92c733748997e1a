<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\RetestDates;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ListRetests
{
    public function __invoke(Request $request, RetestDates $dates): JsonResponse
    {
        return new JsonResponse($dates(Site::query()->findOrFail($request->integer('site_id'))));
    }
}
