<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\PolicyResource;
use App\Models\JudgingPolicy;
use HonestCore\Analyte\Analytes;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListPolicies
{
    public function __invoke(): AnonymousResourceCollection
    {
        $codes = array_keys(Analytes::all());

        return PolicyResource::collection(
            JudgingPolicy::query()
                ->with('author')
                ->orderByDesc('version')
                ->get()
                ->sortBy(static fn (JudgingPolicy $policy): int => (int) array_search($policy->analyte, $codes, true))
                ->values(),
        );
    }
}
