<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Models\Plan;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The day on which a plan is to be pulled. */
final class SetPullDay
{
    public function __invoke(Request $request, Plan $plan): JsonResponse
    {
        /** @var array{pull_on: string|null} $fields */
        $fields = $request->validate(
            ['pull_on' => ['present', 'nullable', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2200-01-01']],
            ['pull_on.date_format' => 'This is no day; accepted is one such as 2026-11-27.'],
        );
        Plan::withoutTimestamps(static fn (): bool => $plan->update($fields));

        return new JsonResponse([
            'pull_on' => $plan->pull_on?->format('Y-m-d'),
            'too_soon' => $plan->pull_on === null ? [] : $plan->tooSoon(),
        ]);
    }
}
