<?php

declare(strict_types=1);

namespace App\Http\Controllers\Today;

use App\Actions\Today\DueNow;
use App\Actions\Today\WhatWaits;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ShowToday
{
    public function __invoke(Request $request, WhatWaits $waits, DueNow $due): JsonResponse
    {
        $site = Site::query()->withCount('areas')->findOrFail($request->integer('site_id'));
        $samples = Sample::query()->where('site_id', $site->id);

        return new JsonResponse([
            'date' => now($site->timezone)->format('Y-m-d'),
            'due' => $due(),
            'waiting' => $waits($site),
            'season' => [
                'year' => (int) now($site->timezone)->format('Y'),
                'areas' => (int) $site->getAttribute('areas_count'),
                'composites' => (clone $samples)->where('year', (int) now($site->timezone)->format('Y'))->count(),
                'readings' => Reading::query()
                    ->whereIn('sample_id', (clone $samples)->select('id'))
                    ->whereDoesntHave('correction')
                    ->count(),
            ],
        ]);
    }
}
