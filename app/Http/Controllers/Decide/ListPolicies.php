<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\PolicyResource;
use App\Models\JudgingPolicy;
use HonestCore\Table\RuleTable;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListPolicies
{
    public function __invoke(): AnonymousResourceCollection
    {
        /** @var list<string> $codes */
        $codes = RuleTable::named('policies')['codes'];

        return PolicyResource::collection(JudgingPolicy::query()->with('author')->orderByDesc('version')->get()->sortBy(static fn (JudgingPolicy $policy): int => (int) array_search($policy->analyte, $codes, true))->values());
    }
}
