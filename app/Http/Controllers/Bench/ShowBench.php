<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\BenchOverview;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ShowBench
{
    public function __invoke(Request $request, BenchOverview $overview): JsonResponse
    {
        return new JsonResponse($overview(Site::named($request->integer('site_id'))));
    }
}
