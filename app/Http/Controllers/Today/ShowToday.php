<?php

declare(strict_types=1);

namespace App\Http\Controllers\Today;

use App\Actions\Today\DueNow;
use App\Actions\Today\Season;
use App\Actions\Today\WhatWaits;
use App\Http\Resources\Today\DueResource;
use App\Http\Resources\Today\WaitingResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ShowToday
{
    public function __invoke(Request $request, WhatWaits $waits, DueNow $due): JsonResponse
    {
        $site = Site::named($request->integer('site_id'));

        return new JsonResponse([
            'date' => now($site->timezone)->format('Y-m-d'),
            'due' => DueResource::collection($due()),
            'waiting' => WaitingResource::collection($waits($site)),
            'season' => get_object_vars(Season::of($site)),
        ]);
    }
}
