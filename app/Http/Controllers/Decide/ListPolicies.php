<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\PolicyResource;
use App\Models\JudgingPolicy;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListPolicies
{
    public function __invoke(): AnonymousResourceCollection
    {
        return PolicyResource::collection(
            JudgingPolicy::register(),
        );
    }
}
