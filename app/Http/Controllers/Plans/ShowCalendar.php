<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Http\Requests\Plans\CalendarRequest;
use App\Models\Plan;
use Illuminate\Http\JsonResponse;

final class ShowCalendar
{
    public function __invoke(CalendarRequest $request, Plan $plan): JsonResponse
    {
        $calendar = $request->calendar($plan);

        return new JsonResponse([
            'steps' => array_map(
                static fn (array $step): array => [
                    'code' => $step['code'],
                    'what' => $step['what'],
                    'on' => $step['on']->format('Y-m-d'),
                ],
                $calendar->steps,
            ),
            'warnings' => $calendar->warnings(),
            'earliest_lime_on' => $calendar->earliestLimeOn->format('Y-m-d'),
        ]);
    }
}
