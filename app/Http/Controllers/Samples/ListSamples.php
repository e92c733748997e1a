<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** The newest composites of a site, for the bench and the reports; the ledger has them all. */
final class ListSamples
{
    private const MOST = 500;

    public function __invoke(Request $request): AnonymousResourceCollection
    {
        return SampleResource::collection(
            Sample::newestOfSite($request->integer('site_id'), self::MOST),
        );
    }
}
