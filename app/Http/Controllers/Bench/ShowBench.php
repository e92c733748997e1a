<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\BenchOverview;
use App\Http\Resources\Bench\BenchResource;
use App\Models\Site;
use Illuminate\Http\Request;

final class ShowBench
{
    public function __invoke(Request $request, BenchOverview $overview): BenchResource
    {
        return new BenchResource($overview(Site::named($request->integer('site_id'))));
    }
}
